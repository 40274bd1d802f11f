/** What the pages of the stand-ins look like. */
export const pageStyle = `
  :root { color-scheme: light dark; font: 18px/1.4 system-ui, sans-serif;
    --paper: light-dark(#f4ecdd, #171210); --ink: light-dark(#241b16, #f3e8d8); --oxide: light-dark(#96361f, #e5866a); --glass: light-dark(#fffdf8, #2b231f); }
  body { margin: 0; background: var(--paper); color: var(--ink); display: grid; place-items: center; min-height: 100dvh; }
  main { border: 4px solid var(--ink); border-radius: 18px; padding: 1.5rem; width: min(46rem, calc(100vw - 4rem)); display: grid; gap: .8rem 1.5rem; grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr)); }
  h1, .display, .wide { grid-column: 1 / -1; }
  h1 { margin: 0; font-size: 1.3rem; }
  .display { border: 4px solid var(--ink); background: var(--glass); padding: .6rem 1rem; font-size: 2.4rem; font-weight: 800; font-variant-numeric: tabular-nums; }
  label { display: grid; gap: .2rem; font-weight: 700; }
  div > label { display: inline; }
  input, select { font: inherit; width: 100%; box-sizing: border-box; min-height: 48px; accent-color: var(--oxide); }
  input[type=checkbox] { min-height: 0; width: 24px; flex: none; height: 24px; }
  .row { display: flex; align-items: center; gap: .6rem; min-height: 48px; flex-wrap: wrap; }
  button { font: inherit; font-weight: 800; min-height: 56px; padding: 0 1rem; border: 3px solid var(--ink); background: var(--glass); color: var(--ink); cursor: pointer; }
  button.main { background: var(--oxide); color: light-dark(#fff8f0, #21110b); }
`
