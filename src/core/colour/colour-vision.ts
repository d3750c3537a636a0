/** Ways of seeing colour: as most people do, without one of the three kinds of cone, or by lightness alone. */
export const VISIONS = ['full', 'protan', 'deutan', 'tritan', 'mono'] as const
export type Vision = (typeof VISIONS)[number]
type Row = readonly [number, number, number]
export type ColourMatrix = readonly [Row, Row, Row]

/** WCAG's weights of relative luminance, for sight by lightness alone. */
const LUMINANCE: Row = [0.2126, 0.7152, 0.0722]

/**
 * For linear red, green and blue. Machado, Oliveira and Fernandes, “A Physiologically-based Model for Simulation of Color
 * Vision Deficiency”, IEEE TVCG 15 (2009), table 1, severity 1.0.
 */
export const VISION_MATRICES: Readonly<Record<Exclude<Vision, 'full'>, ColourMatrix>> = {
  protan: [
    [0.152286, 1.052583, -0.204868],
    [0.114503, 0.786281, 0.099216],
    [-0.003882, -0.048116, 1.051998],
  ],
  deutan: [
    [0.367322, 0.860646, -0.227968],
    [0.280085, 0.672501, 0.047413],
    [-0.01182, 0.04294, 0.968881],
  ],
  tritan: [
    [1.255528, -0.076749, -0.178779],
    [-0.078411, 0.930809, 0.147602],
    [0.004733, 0.691367, 0.3039],
  ],
  mono: [LUMINANCE, LUMINANCE, LUMINANCE],
}

/** The matrix as SVG's feColorMatrix takes it, in linearRGB. */
export function visionFilter(vision: Exclude<Vision, 'full'>): string {
  return [...VISION_MATRICES[vision].map((row) => `${row.join(' ')} 0 0`), '0 0 0 1 0'].join(' ')
}
