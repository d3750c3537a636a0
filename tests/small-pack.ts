/** A template pack as someone writes it who has read docs/template-pack.md and nothing else: one page, one design of its own. */
export function smallPack(id: string): Record<string, string> {
  const day = '[{ "opens": "09:00", "closes": "17:00" }]'
  return {
    [`designs/hero/${id}-sheet.html`]: `<section class="hero-${id}-sheet">
  <h1 data-slot="heading">Written by hand</h1>
  <div class="rich" data-slot="lead" data-when="lead"><p>In an editor, with the document beside it.</p></div>
  <p data-when="action"><a class="button" data-slot="action" href="fact:phone">Ring</a></p>
</section>
`,
    [`designs/hero/${id}-sheet.css`]: `.hero-${id}-sheet { padding: var(--rise) var(--edge); border-block-start: 12px solid var(--mark); }
@media (min-width: 46rem) { .hero-${id}-sheet h1 { max-width: 12em; } }
`,
    [`${id}/template.css`]: `:root {
  --step--1: 0.9rem; --step-0: 1.1rem; --step-1: 1.3rem; --step-2: 1.6rem; --step-3: 2rem; --step-4: 2.6rem; --step-5: 3.4rem;
  --rise: 4rem; --gutter: 1.5rem; --edge: max(var(--gutter), (100% - 60rem) / 2); --gap: 2rem; --measure: 34rem;
}
h1, h2, h3 { font-family: var(--font-display); }
.button { background: var(--button); color: var(--button-text); padding: 0.6em 1em; }
`,
    [`${id}/template.json`]: `{
  "format": 1, "name": "By hand", "trades": ["pottery"], "description": "One page, written by hand.",
  "licence": "Ask the author", "price": "£20", "language": "en-GB",
  "fonts": { "display": "vollkorn", "text": "alegreya-sans" },
  "schemes": [{ "key": "clay", "name": "Clay", "colour": "#8a3b12",
    "paper": { "l": 0.97, "c": 0.01, "h": 70 }, "tint": { "l": 0.93, "c": 0.02, "h": 70 }, "ink": { "l": 0.25, "c": 0.03, "h": "brand" } }],
  "facts": { "name": "A Potter", "tagline": "Pots", "phone": "01632 960001", "email": "pots@potter.example",
    "address": { "street": "1 Kiln Row", "locality": "Claybourne", "postcode": "CB1 1AA", "country": "GB" },
    "hours": { "mon": ${day}, "tue": ${day}, "wed": ${day}, "thu": ${day}, "fri": ${day}, "sat": [], "sun": [] } },
  "media": {},
  "header": { "key": "header", "kind": "header", "design": "line", "tone": "paper" },
  "footer": { "key": "footer", "kind": "footer", "design": "line", "tone": "ink" },
  "notFound": { "key": "not-found", "kind": "title", "design": "line", "tone": "paper", "slots": { "heading": "Not here", "lead": "" } },
  "pages": [
    { "key": "home", "name": "Home", "segment": "", "description": "Pots.", "sections": [
      { "key": "hero", "kind": "hero", "design": "${id}-sheet", "tone": "paper" },
      { "key": "services", "kind": "services", "design": "line", "tone": "tint", "slots": {
        "action": { "label": "Write", "to": "fact:email" }, "items": [{ "title": "Bowls", "text": "Thrown.", "price": "£18" }] } }
    ] }
  ]
}
`,
  }
}
