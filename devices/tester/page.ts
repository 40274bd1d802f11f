import { fluidOf, fluidSpecs } from '~core/fluid/specs'
import { testerOf } from '~core/fluid/testers'
import { kinds } from './instrument'

const options = (values: readonly string[], name = (value: string) => value) =>
  values.map((value) => `<option value="${value}">${name(value)}</option>`).join('')
const glycol = fluidSpecs.filter((spec) => fluidOf(spec).base === 'glycol')

/** The stand-in's own page: its dials, and what it would show. */
export const page = (nonce: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Simulated tester</title>
<link rel="icon" href="data:,">
<style>
  :root { color-scheme: light dark; font: 18px/1.4 system-ui, sans-serif;
    --paper: light-dark(#f4ecdd, #171210); --ink: light-dark(#241b16, #f3e8d8); --oxide: light-dark(#96361f, #e5866a); --glass: light-dark(#fffdf8, #2b231f); }
  body { margin: 0; background: var(--paper); color: var(--ink); display: grid; place-items: center; min-height: 100dvh; }
  main { border: 4px solid var(--ink); border-radius: 18px; padding: 1.5rem; width: min(46rem, calc(100vw - 4rem)); display: grid; gap: .8rem 1.5rem; grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr)); }
  h1, .display, button { grid-column: 1 / -1; }
  h1 { margin: 0; font-size: 1.3rem; }
  .display { border: 4px solid var(--ink); background: var(--glass); padding: .6rem 1rem; font-size: 2.4rem; font-weight: 800; font-variant-numeric: tabular-nums; }
  label { display: grid; gap: .2rem; font-weight: 700; }
  div > label { display: inline; }
  input, select { font: inherit; width: 100%; box-sizing: border-box; min-height: 48px; accent-color: var(--oxide); }
  input[type=checkbox] { min-height: 0; width: 24px; flex: none; height: 24px; }
  .row { display: flex; align-items: center; gap: .6rem; min-height: 48px; }
  button { font: inherit; font-weight: 800; min-height: 56px; border: 3px solid var(--ink); background: var(--oxide); color: light-dark(#fff8f0, #21110b); cursor: pointer; }
</style>
</head>
<body>
<main>
  <h1>Simulated tester: a stand-in, not an instrument</h1>
  <div class="display" id="display" role="status"></div>
  <label>It is a <select id="kind">${options(kinds, (kind) => testerOf(kind as (typeof kinds)[number]).name)}</select></label>
  <label>The fluid is <select id="spec">${options(glycol)}</select></label>
  <div><label for="waterPct">Water it truly holds, %</label> <output id="waterShown" for="waterPct"></output>
    <input type="range" id="waterPct" min="0" max="6" step="0.05"></div>
  <div><label for="copperPpm">Copper, ppm</label> <output id="copperShown" for="copperPpm"></output>
    <input type="range" id="copperPpm" min="0" max="400" step="10"></div>
  <label>It shows too much by <input type="number" id="off" step="0.1"></label>
  <label>A reading takes, seconds <input type="number" id="seconds" min="0" max="60" step="0.5"></label>
  <label class="row"><input type="checkbox" id="inFluid"> The probe is in the fluid</label>
  <button type="button" id="unplug"></button>
</main>
<script nonce="${nonce}">
  const ids = ['kind', 'spec', 'waterPct', 'copperPpm', 'off', 'seconds', 'inFluid']
  const el = (id) => document.getElementById(id)
  const show = (state) => {
    for (const id of ids) {
      if (document.activeElement === el(id)) continue
      if (id === 'inFluid') el(id).checked = state.dials[id]
      else el(id).value = state.dials[id]
    }
    el('waterShown').textContent = state.dials.waterPct.toFixed(2)
    el('copperShown').textContent = state.dials.copperPpm
    el('display').textContent = state.plugged ? state.display : 'unplugged'
    el('unplug').textContent = state.plugged ? 'Unplug it' : 'Plug it in'
  }
  const send = async (path, body) =>
    show(await (await fetch(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) })).json())
  for (const id of ids)
    el(id).addEventListener('input', () => {
      const value = id === 'inFluid' ? el(id).checked : id === 'kind' || id === 'spec' ? el(id).value : Number(el(id).value)
      send('/dials', { [id]: value })
    })
  el('unplug').addEventListener('click', () => send('/plug', {}))
  send('/dials', {})
</script>
</body>
</html>
`
