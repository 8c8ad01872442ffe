import { createReadStream, existsSync } from 'node:fs'
import { join } from 'node:path'
import type Koa from 'koa'
import serve from 'koa-static'

/** Serves the built pages; every address that is no file gets the shell, which routes by itself. */
export function servePages(folder: string): Koa.Middleware {
  const files = serve(folder, {
    index: false,
    setHeaders: (response, path) => {
      // Vite puts a hash into every name below assets, so those never change.
      response.setHeader(
        'Cache-Control',
        path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      )
    },
  })
  const shell = join(folder, 'index.html')
  return async (context, next) => {
    if (context.method !== 'GET' && context.method !== 'HEAD') return next()
    await files(context, async () => {})
    if (context.body || context.path.startsWith('/assets/')) return
    if (!existsSync(shell)) {
      context.status = 503
      context.body = 'The pages are not built yet. Run: npm run build'
      return
    }
    context.type = 'html'
    context.set('Cache-Control', 'no-cache')
    context.body = createReadStream(shell)
  }
}
