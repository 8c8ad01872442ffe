import { config } from 'zod'

// Zod compiles its checks with `new Function` where it may; the content policy forbids that, and trying would be logged.
config({ jitless: true })
