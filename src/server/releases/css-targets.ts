import type { Targets } from 'lightningcss'

const version = (major: number): number => major << 16

/** Browsers of the last three years or so; lightningcss writes for them what they need. */
const CSS_TARGETS: Targets = { chrome: version(111), edge: version(111), firefox: version(115), safari: version(16), ios_saf: version(16) }

export default CSS_TARGETS
