/** A frame that nobody sees, for what is laid out only to be measured. Whoever makes one takes it out again. */
export function unseenFrame(title: string): HTMLIFrameElement {
  const frame = document.createElement('iframe')
  frame.title = title
  frame.tabIndex = -1
  frame.setAttribute('aria-hidden', 'true')
  frame.style.cssText =
    'position:fixed;inset-block-start:0;inset-inline-start:-9999px;height:600px;border:0;visibility:hidden;content-visibility:hidden'
  document.body.append(frame)
  return frame
}
