import { Volume2, VolumeX } from 'lucide-react'
import { useEffect, useState } from 'react'
import { hasVoice, play, speak } from './announce'
import { setHeard, useHeard } from './settings'

type Words = { sound: string; voice: string; noVoice: string }
const english: Words = { sound: 'Sound', voice: 'Voice', noVoice: 'This browser has no voice.' }

/** Two switches, off until asked for; what this browser cannot do is said beside them. */
export function HeardButtons({ words = english, language = 'en' }: { words?: Words; language?: string }) {
  const { sound, voice } = useHeard()
  const silent = useNoVoice(voice)
  return (
    <span className="flex flex-wrap items-center gap-2">
      <Switch
        name={words.sound}
        on={sound}
        turn={(on) => {
          setHeard({ sound: on })
          // Heard at once, so that it is known to work; the tap also lets the browser make sound at all.
          if (on) play('turn')
        }}
      />
      <Switch
        name={words.voice}
        on={voice}
        turn={(on) => {
          setHeard({ voice: on })
          if (on) speak(words.voice, language)
        }}
      />
      {silent && <span role="status">{words.noVoice}</span>}
    </span>
  )
}

/** Voices may come some time after the page. */
function useNoVoice(asked: boolean): boolean {
  const [none, setNone] = useState(false)
  useEffect(() => {
    if (!asked) return setNone(false)
    const look = () => setNone(!hasVoice())
    const timer = setTimeout(look, 1000)
    if ('speechSynthesis' in window) window.speechSynthesis.addEventListener('voiceschanged', look)
    return () => {
      clearTimeout(timer)
      if ('speechSynthesis' in window) window.speechSynthesis.removeEventListener('voiceschanged', look)
    }
  }, [asked])
  return none
}

function Switch({ name, on, turn }: { name: string; on: boolean; turn: (on: boolean) => void }) {
  const Icon = on ? Volume2 : VolumeX
  return (
    <button
      type="button"
      role="switch"
      aria-checked={on}
      onClick={() => turn(!on)}
      className={`inline-flex min-h-[72px] items-center gap-2 border-2 px-5 font-semibold ${on ? 'border-ink bg-ink text-paper' : 'border-rule'}`}
    >
      <Icon size={20} aria-hidden="true" /> {name}
    </button>
  )
}
