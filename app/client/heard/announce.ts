import { useEffect, useRef } from 'react'
import { type SignalId, signals } from '~core/cab/signals'
import { useHeard } from './settings'

let audio: AudioContext | undefined

/** Sounds a call. A browser that was not touched yet keeps silent, and nothing waits for it. */
export function play(id: SignalId): void {
  if (typeof AudioContext === 'undefined') return
  audio ??= new AudioContext()
  void audio.resume().catch(() => undefined)
  let at = audio.currentTime + 0.02
  for (const { hz, ms } of signals[id].notes) {
    const seconds = ms / 1000
    if (hz > 0) {
      const [tone, loudness] = [audio.createOscillator(), audio.createGain()]
      tone.type = 'triangle'
      tone.frequency.value = hz
      // Without a rise and a fall a note clicks.
      loudness.gain.setValueAtTime(0, at)
      loudness.gain.linearRampToValueAtTime(0.5, at + 0.015)
      loudness.gain.setValueAtTime(0.5, at + seconds - 0.015)
      loudness.gain.linearRampToValueAtTime(0, at + seconds)
      tone.connect(loudness).connect(audio.destination)
      tone.start(at)
      tone.stop(at + seconds)
    }
    at += seconds
  }
}

/** Says a call, instead of whatever was still being said: an old word is a wrong word. */
export function speak(text: string, language: string): void {
  if (!('speechSynthesis' in window)) return
  window.speechSynthesis.cancel()
  const said = new SpeechSynthesisUtterance(text)
  said.lang = language
  window.speechSynthesis.speak(said)
}

/** Whether this browser has any voice; some have none, some learn of theirs late. */
export const hasVoice = (): boolean =>
  'speechSynthesis' in window && window.speechSynthesis.getVoices().length > 0

/** Who speaks: each is remembered apart, also where the part of the page that spoke is another one by now. */
type Channel = 'wheel' | 'cab' | 'noticed' | 'link' | 'clock'
type Announcement = {
  channel: Channel
  says: string
  /** What it is about, where its figures change while it stays the same thing: said once, not at every figure. */
  about?: string
  signal: SignalId
  language?: string
  vibrates?: boolean
}
const lastSaid = new Map<Channel, string>()

/** Sounds and says what has just changed; what stood there when the page came is seen, not announced. */
export function useAnnounce({
  channel,
  says,
  about = says,
  signal,
  language = 'en',
  vibrates = false,
}: Announcement): void {
  const { sound, voice } = useHeard()
  const settings = useRef({ sound, voice, language, vibrates, says })
  settings.current = { sound, voice, language, vibrates, says }
  useEffect(() => {
    const before = lastSaid.get(channel)
    lastSaid.set(channel, about)
    if (before === undefined || before === about || about === '') return
    const now = settings.current
    if (now.sound) play(signal)
    if (now.sound && now.vibrates) navigator.vibrate?.([...signals[signal].vibrateMs])
    if (now.voice) speak(now.says, now.language)
  }, [about, channel, signal])
}
