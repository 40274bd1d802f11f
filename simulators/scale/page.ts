import { hiddenKinds } from '~core/job/practice-hides'
import { pageStyle } from '../page-style'
import { moods } from './plate'

const moodNames: Record<(typeof moods)[number], string> = {
  sound: 'weighs as it should',
  silent: 'has gone quiet',
  stuck: 'shows one weight for ever',
  nonsense: 'talks nonsense',
  over: 'has more on it than it can weigh',
}
const hides = [
  'sound',
  'a hose closed inside',
  'a cylinder leaking past its seals',
  'air in a brake',
  'a cylinder that draws nothing',
]
if (hides.length !== hiddenKinds.length) throw new Error('each hidden fault has its name here')

/** The stand-in's own page: the bottle on its plate, and the hands that let fluid into it. */
export const page = (nonce: string, vehicle: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Simulated scale</title>
<link rel="icon" href="data:,">
<style>${pageStyle}
  figure { margin: 0; display: grid; justify-items: center; gap: .3rem; }
  svg { height: 220px; stroke: var(--ink); fill: none; stroke-width: 4; }
  #fluid { fill: var(--oxide); stroke: none; opacity: .55; }
  .side { display: grid; gap: .8rem; align-content: start; }
</style>
</head>
<body>
<main>
  <h1>Simulated scale: a stand-in, not an instrument</h1>
  <div class="display" id="display" role="status"></div>
  <figure>
    <svg viewBox="0 0 120 170" role="img" aria-label="Catch bottle on the scale">
      <g id="bottle"><rect id="fluid" x="32" y="128" width="56" height="0"></rect>
      <path d="M50 8V28L32 46V130H88V46L70 28V8"></path></g>
      <path d="M14 136H106M60 136V148M24 158H96"></path>
    </svg>
    <figcaption id="holds"></figcaption>
  </figure>
  <div class="side">
    <div class="row"><button type="button" data-act='{"do":"pour","ml":10}'>Pour 10 mL in</button>
    <button type="button" data-act='{"do":"knock"}'>Knock it</button></div>
    <div class="row"><button type="button" id="lift"></button>
    <button type="button" data-act='{"do":"change"}'>Another, empty</button></div>
    <button type="button" id="plug"></button>
    <label>It <select id="mood">${moods.map((mood) => `<option value="${mood}">${moodNames[mood]}</option>`).join('')}</select></label>
  </div>
  <div class="side wide">
    <strong id="vehicle"></strong>
    <div class="row" id="bleeders"></div>
    <div class="row"><button type="button" class="main" id="foot"></button>
    <label>It hides <select id="hides">${hides.map((name, n) => `<option value="${n}">${name}</option>`).join('')}</select></label></div>
  </div>
  <label>Noise of one reading, g <input type="number" id="noiseG" min="0" max="20" step="0.05"></label>
  <label>It drifts in a minute, g <input type="number" id="creepsG" min="-20" max="20" step="0.1"></label>
  <label>Something leans on it, g <input type="number" id="leansG" min="0" max="1000" step="1"></label>
  <label>Its display moves by, g <input type="number" id="stepG" min="0.01" max="10" step="0.01"></label>
</main>
<script nonce="${nonce}">
  const el = (id) => document.getElementById(id)
  const numbers = ['noiseG', 'creepsG', 'leansG', 'stepG']
  let state
  const show = (next) => {
    state = next
    el('display').textContent = next.plugged ? next.display || '…' : 'unplugged'
    el('holds').textContent = next.lifted ? 'lifted off' : next.fluidMl.toFixed(1) + ' mL in it'
    const h = Math.min(80, next.fluidMl / 10)
    el('fluid').setAttribute('height', h)
    el('fluid').setAttribute('y', 128 - h)
    el('bottle').style.opacity = next.lifted ? .2 : 1
    el('lift').textContent = next.lifted ? 'Put it back' : 'Lift it off'
    el('plug').textContent = next.plugged ? 'Unplug it' : 'Plug it in'
    el('foot').textContent = next.hands.down ? 'Foot up' : 'Foot down'
    for (const id of numbers) if (document.activeElement !== el(id)) el(id).value = next.dials[id]
    el('mood').value = next.dials.mood
    el('hides').value = next.hands.hides
    const row = el('bleeders')
    if (row.children.length !== next.hands.bleeders.length)
      row.replaceChildren(...next.hands.bleeders.map((id) => {
        const made = document.createElement('button')
        made.type = 'button'
        made.addEventListener('click', () => act({ do: 'turn', bleeder: state.hands.open === id ? undefined : id }))
        return made
      }))
    next.hands.bleeders.forEach((id, i) => {
      const open = next.hands.open === id
      row.children[i].textContent = open ? 'Close ' + id : 'Open ' + id
      row.children[i].className = open ? 'main' : ''
    })
  }
  const send = async (path, body) =>
    show(await (await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })).json())
  const act = (what) => send('/act', what)
  el('vehicle').textContent = ${JSON.stringify(`A simulated vehicle runs into it: ${vehicle}`).replaceAll('<', '\\u003c')}
  for (const button of document.querySelectorAll('[data-act]'))
    button.addEventListener('click', () => act(JSON.parse(button.dataset.act)))
  el('lift').addEventListener('click', () => act({ do: 'lift', lifted: !state.lifted }))
  el('plug').addEventListener('click', () => act({ do: 'plug', plugged: !state.plugged }))
  el('foot').addEventListener('click', () => act({ do: 'foot', down: !state.hands.down }))
  el('mood').addEventListener('input', () => send('/dials', { mood: el('mood').value }))
  el('hides').addEventListener('input', () => act({ do: 'hides', n: Number(el('hides').value) }))
  for (const id of numbers) el(id).addEventListener('change', () => send('/dials', { [id]: Number(el(id).value) }))
  const look = async () => show(await (await fetch('/state')).json())
  look()
  setInterval(look, 400)
</script>
</body>
</html>
`
