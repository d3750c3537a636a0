/**
 * How Chromium is started for tests, pictures and figures: Debian's own, the same engine without the parts that draw a browser's window,
 * and nothing of it asks the network.
 */
export const CHROMIUM = {
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-quic',
    '--no-first-run',
    // Letters as wide as a window draws them: without it this one rounds their widths to whole pixels.
    '--font-render-hinting=none',
  ],
}
