import { index, layout, route, type RouteConfig } from '@react-router/dev/routes'

export default [
  route('sign-in', 'routes/sign-in.tsx'),
  route('sign-out', 'routes/sign-out.ts'),
  route('events', 'routes/events.ts'),
  layout('routes/desk.tsx', [
    index('routes/home.ts'),
    route('packages', 'routes/queue.tsx'),
    route('packages/new', 'routes/new-package.tsx'),
    route('packages/:id', 'routes/package.tsx', [
      index('routes/package-home.ts'),
      route('deck', 'routes/deck.tsx'),
      route('papers', 'routes/papers.tsx'),
      route('values', 'routes/values.tsx'),
      route('checklist', 'routes/checklist.tsx'),
      route('facts', 'routes/facts.tsx'),
      route('hand-over', 'routes/hand-over.tsx'),
      route('files', 'routes/files.tsx'),
      route('history', 'routes/history.tsx'),
    ]),
  ]),
  route('packages/:id/loupe', 'routes/loupe-window.tsx'),
  route('packages/:id/find', 'routes/find.ts'),
  route('packages/:id/answers', 'routes/answers.ts'),
  route('packages/:id/owner', 'routes/owner.ts'),
  route('packages/:id/bring', 'routes/bring.ts'),
  route('packages/:id/pages/:number/words', 'routes/page-words.ts'),
  route('packages/:id/pages/:number/:size', 'routes/page-picture.ts'),
  route('packages/:id/cover-sheet.pdf', 'routes/cover-sheet.ts'),
  route('separator-sheets.pdf', 'routes/separator-sheets.ts'),
  route('packages/:id/package.zip', 'routes/package-zip.ts'),
] satisfies RouteConfig
