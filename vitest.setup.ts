import fc from 'fast-check'

// Random inputs are the same in every run, so that a failure seen in CI is seen again here.
fc.configureGlobal({ seed: 20_261_124 })
