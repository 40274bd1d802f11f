import { fluidOf, fluidSpecs } from '~core/fluid/specs'
import { testerTitle } from '~core/fluid/testers'
import { sayMetric } from '~core/words'
import { pageStyle } from '../page-style'
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
<style>${pageStyle}</style>
</head>
<body>
<main>
  <h1>Simulated tester: a stand-in, not an instrument</h1>
  <div class="display" id="display" role="status"></div>
  <label>It is a <select id="kind">${options(kinds, (kind) => sayMetric(testerTitle(kind as (typeof kinds)[number])))}</select></label>
  <label>The fluid is <select id="spec">${options(glycol)}</select></label>
  <div><label for="waterPct">Water it truly holds, %</label> <output id="waterShown" for="waterPct"></output>
    <input type="range" id="waterPct" min="0" max="6" step="0.05"></div>
  <div><label for="copperPpm">Copper, ppm</label> <output id="copperShown" for="copperPpm"></output>
    <input type="range" id="copperPpm" min="0" max="400" step="10"></div>
  <label>It shows too much by <input type="number" id="off" step="0.1"></label>
  <label>A reading takes, seconds <input type="number" id="seconds" min="0" max="60" step="0.5"></label>
  <label class="row"><input type="checkbox" id="inFluid"> The probe is in the fluid</label>
  <button type="button" class="main wide" id="unplug"></button>
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
