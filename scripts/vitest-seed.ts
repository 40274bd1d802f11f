import fc from 'fast-check'

/** The same cases on every run, so that a red one is red again; `SEED=7 npm run test:unit` tries others. */
fc.configureGlobal({ seed: Number(process.env.SEED ?? 1) })
