import { useEffect } from 'react'
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteError,
} from 'react-router'
import './styles/app.css'

export const meta = () => [{ title: 'Jigsa' }]

export function Layout({ children }: { children: React.ReactNode }) {
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <link
          rel="icon"
          href="data:image/svg+xml,<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 32 32'><path fill='%230d5c6b' d='M4 9h8a4 4 0 1 1 8 0h8v19H4z'/></svg>"
        />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration />
        <Scripts />
      </body>
    </html>
  )
}

export default function Root() {
  // Shown by the server before its scripts run; whoever waits for the keys to work can see when they do.
  useEffect(() => {
    document.documentElement.dataset.live = 'yes'
  }, [])
  return <Outlet />
}

export function ErrorBoundary() {
  const error = useRouteError()
  const [title, text] = isRouteErrorResponse(error)
    ? error.status === 404
      ? [
          'There is nothing here',
          typeof error.data === 'string' &&
          error.data.endsWith('.') &&
          error.data !== 'There is no such package.'
            ? error.data
            : 'The address may be mistyped, or the package was removed.',
        ]
      : ['That did not work', String(error.data || error.statusText)]
    : [
        'Something went wrong',
        'It has been written to the log. Nothing that you answered is lost; load the page again.',
      ]
  return (
    <main className="mx-auto mt-24 max-w-md p-6">
      <h1 className="text-2xl font-semibold">{title}</h1>
      <p className="mt-2 text-ink-2">{text}</p>
      <a className="button mt-6" href="/packages">
        To the queue
      </a>
    </main>
  )
}
