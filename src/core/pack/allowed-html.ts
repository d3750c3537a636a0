/** Elements a design may be made of: structure and text; nothing that runs, embeds, posts or fetches. */
export const ALLOWED_TAGS = new Set(
  (
    'section header footer nav main article aside div span p h1 h2 h3 h4 h5 h6 ul ol li dl dt dd table caption thead tbody tr th td ' +
    'figure figcaption img a strong em small b i s sub sup br hr blockquote q cite address time abbr button details summary'
  ).split(' '),
)

/** Attributes a design may carry beside its bindings, `href`, `src`, `alt` and `aria-*`. */
export const ALLOWED_ATTRIBUTES = new Set(
  'class id lang dir role hidden scope colspan rowspan type popover popovertarget popovertargetaction tabindex title'.split(' '),
)
