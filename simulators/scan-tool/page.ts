import { pageStyle } from '../page-style'
import { moods } from './tool'

/** The stand-in's own page: its screen, the unit's dials, a foot, and what is wrong behind it. */
export const page = (nonce: string, vehicle: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Simulated scan tool</title>
<link rel="icon" href="data:,">
<style>${pageStyle}
  ul { margin: 0; padding-left: 1.2rem; }
</style>
</head>
<body>
<main>
  <h1>Simulated scan tool: a stand-in, not an instrument</h1>
  <div class="display" id="screen" role="status"></div>
  <div class="wide" id="live"></div>
  <strong class="wide" id="vehicle"></strong>
  <div class="row"><button type="button" class="main" id="foot"></button>
  <button type="button" id="ignition"></button></div>
  <div class="row"><button type="button" id="power"></button>
  <button type="button" data-act='{"do":"drive"}'>Drive it: the unit works</button></div>
  <div class="row wide" id="bleeders"></div>
  <div class="row"><button type="button" data-act='{"do":"unplug"}'>Pull the tool’s cable</button>
  <button type="button" data-act='{"do":"mend"}'>Mend what its codes mean</button></div>
  <div class="row"><button type="button" id="sensor"></button></div>
  <label>The tool <select id="mood">${moods.map((mood) => `<option>${mood}</option>`).join('')}</select></label>
  <label>Number of the unit <input id="number" maxlength="40"></label>
  <label>Battery, V <input type="number" id="volts" min="0" max="30" step="0.1"></label>
  <label>Its sensor reads at rest, kPa <input type="number" id="restKPa" min="-1000" max="1000"></label>
  <label>Its pump runs, s <input type="number" id="pumpS" min="1" max="300"></label>
  <form class="row wide" id="air"><label>Air in its closed branches, mL <input type="number" name="closedMl" min="0" max="60" step="0.5" value="0"></label>
  <label>in the unit itself <input type="number" name="openMl" min="0" max="60" step="0.5" value="0"></label>
  <button type="submit">Comes in so</button></form>
  <form class="row wide" id="code"><label>Code <input name="code" maxlength="20" required></label>
  <label>Its text <input name="text" maxlength="100"></label>
  <label><input type="checkbox" name="real"> comes back when it is cleared</label>
  <label><input type="checkbox" name="onDrive"> on a drive only</label>
  <button type="submit">Set this code</button></form>
  <ul class="wide" id="codes"></ul>
</main>
<script nonce="${nonce}">
  const el = (id) => document.getElementById(id)
  const numbers = ['volts', 'restKPa', 'pumpS']
  const about = ${JSON.stringify(`A simulated vehicle stands behind it: ${vehicle}`).replaceAll('<', '\\u003c')}
  let state
  const show = (next) => {
    state = next
    el('screen').textContent = next.screen
    el('live').textContent = next.live.join(' · ')
    el('foot').textContent = next.down ? 'Foot up' : 'Foot down, firm'
    el('ignition').textContent = next.dials.ignition ? 'Ignition off' : 'Ignition on'
    el('mood').value = next.dials.mood
    for (const id of [...numbers, 'number']) if (document.activeElement !== el(id)) el(id).value = next.dials[id]
    el('power').textContent = next.powered ? 'Unplug the unit' : 'Plug the unit in'
    const loose = next.codes.some(({ code }) => code === 'L101')
    el('sensor').textContent = loose ? 'Plug the level sensor in' : 'Unplug the level sensor'
    el('sensor').dataset.plugs = loose
    const row = el('bleeders')
    if (row.children.length !== next.bleeders.length)
      row.replaceChildren(...next.bleeders.map((id) => {
        const made = document.createElement('button')
        made.type = 'button'
        made.addEventListener('click', () => act({ do: 'turn', bleeder: state.open === id ? undefined : id }))
        return made
      }))
    next.bleeders.forEach((id, i) => {
      const open = next.open === id
      row.children[i].textContent = open ? 'Close ' + id : 'Open ' + id + ', no hose'
      row.children[i].className = open ? 'main' : ''
    })
    el('vehicle').textContent = about + ', ' + next.airMl + ' mL of air in it, ' + next.closedAirMl + ' of it behind the unit’s valves'
    el('codes').replaceChildren(...next.codes.map(({ code, text, is, isReal, onDrive }) => {
      const made = document.createElement('li')
      made.textContent = code + ' ' + text + ', ' + is + (isReal ? (onDrive ? ', comes back on a drive' : ', with a fault behind it') : '')
      return made
    }))
  }
  const send = async (path, body) =>
    show(await (await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })).json())
  const act = (what) => send('/act', what)
  for (const button of document.querySelectorAll('[data-act]'))
    button.addEventListener('click', () => act(JSON.parse(button.dataset.act)))
  el('foot').addEventListener('click', () => act({ do: 'foot', down: !state.down }))
  el('ignition').addEventListener('click', () => send('/dials', { ignition: !state.dials.ignition }))
  el('mood').addEventListener('input', () => send('/dials', { mood: el('mood').value }))
  el('number').addEventListener('change', () => send('/dials', { number: el('number').value }))
  for (const id of numbers) el(id).addEventListener('change', () => send('/dials', { [id]: Number(el(id).value) }))
  el('power').addEventListener('click', () => act({ do: 'power', on: !state.powered }))
  el('sensor').addEventListener('click', () =>
    act({ do: 'sensor', what: 'level-sensor', plugged: el('sensor').dataset.plugs === 'true' }))
  el('air').addEventListener('submit', (event) => {
    event.preventDefault()
    const form = new FormData(event.target)
    act({ do: 'comes-in', closedMl: Number(form.get('closedMl')), openMl: Number(form.get('openMl')) })
  })
  el('code').addEventListener('submit', (event) => {
    event.preventDefault()
    const form = new FormData(event.target)
    act({ do: 'code', code: form.get('code'), text: form.get('text'), real: form.get('real') === 'on', onDrive: form.get('onDrive') === 'on' })
    event.target.reset()
  })
  const look = async () => show(await (await fetch('/state')).json())
  look()
  setInterval(look, 400)
</script>
</body>
</html>
`
