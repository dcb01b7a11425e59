/**
 * How Debian's Chromium is started, for papers that it sets, tests and measurements. Without the last of
 * these it calls its maker at every start, which a closed network refuses many times over.
 */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
