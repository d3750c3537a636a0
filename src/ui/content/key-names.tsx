/** The foot of the stage: what the keys do. */
export function KeyNames() {
  return (
    <p className="shrink-0 border-t border-seam bg-cloth px-4 py-1 font-mono text-xs text-soft">
      F8 next leftover · Enter, Tab on · Esc its row · Shift+↓ choose · Alt+K keep · Alt+N not needed · Alt+D designs · Alt+L nearly ·
      Ctrl+H replace · Ctrl+click link
    </p>
  )
}
