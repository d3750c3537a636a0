import Bowser from 'bowser'

/** What a session was begun on, in words, from what the browser says of itself (RFC 9110, 10.1.5); it may say anything. */
export function deviceOf(userAgent: string | null): string {
  if (!userAgent) return 'a device that does not say what it is'
  const { browser, os } = Bowser.parse(userAgent.slice(0, 400))
  const on = os.name ? ` on ${os.name}` : ''
  return browser.name ? `${browser.name}${on}` : `a program${on}`
}
