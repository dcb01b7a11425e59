import { setFlagsFromString } from 'node:v8'

// A run that ends after seconds spends more on optimising its code than it gains: half of a large text
// package's time went there. Code is optimised when it has been used twenty times as often as usual, in this
// thread and those that it starts.
setFlagsFromString('--interrupt-budget=1400000')
