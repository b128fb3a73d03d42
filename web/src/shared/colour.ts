/** Colours as people type and paste them, and as OKLCH (CSS Color 4). */

/** "#rrggbb" of a colour with or without "#", of three or six digits; null for anything else. */
export function asHex(text: string): string | null {
    const digits = text.trim().replace(/^#/, '').toLowerCase()
    if (/^[0-9a-f]{6}$/.test(digits)) return `#${digits}`
    return /^[0-9a-f]{3}$/.test(digits) ? `#${[...digits].map((d) => d + d).join('')}` : null
}

/** Lightness 0 to 1, chroma from 0, hue in degrees. */
export interface Oklch {
    l: number
    c: number
    h: number
}

const toGamma = (x: number) => (x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055)
const toLinear = (x: number) => (x <= 0.04045 ? x / 12.92 : ((x + 0.055) / 1.055) ** 2.4)

/** The colour as screens show it; what lies outside of sRGB is clipped. */
export function hexOf({ l, c, h }: Oklch): string {
    const a = c * Math.cos((h * Math.PI) / 180)
    const b = c * Math.sin((h * Math.PI) / 180)
    const x = (l + 0.3963377774 * a + 0.2158037573 * b) ** 3
    const y = (l - 0.1055613458 * a - 0.0638541728 * b) ** 3
    const z = (l - 0.0894841775 * a - 1.291485548 * b) ** 3
    const rgb = [
        4.0767416621 * x - 3.3077115913 * y + 0.2309699292 * z,
        -1.2684380046 * x + 2.6097574011 * y - 0.3413193965 * z,
        -0.0041960863 * x - 0.7034186147 * y + 1.707614701 * z,
    ]
    const byte = (value: number) => Math.round(Math.min(1, Math.max(0, toGamma(value))) * 255)
    return `#${rgb.map((value) => byte(value).toString(16).padStart(2, '0')).join('')}`
}

/** The OKLCH of a colour as hex, rounded as far as the hex comes back the same. */
export function oklchOf(hex: string): Oklch {
    const [r, g, b] = [1, 3, 5].map((at) => toLinear(parseInt(hex.slice(at, at + 2), 16) / 255)) as [
        number,
        number,
        number,
    ]
    const x = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b)
    const y = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b)
    const z = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b)
    const l = 0.2104542553 * x + 0.793617785 * y - 0.0040720468 * z
    const a = 1.9779984951 * x - 2.428592205 * y + 0.4505937099 * z
    const bb = 0.0259040371 * x + 0.7827717662 * y - 0.808675766 * z
    const c = Math.hypot(a, bb)
    const h = c < 0.0005 ? 0 : ((Math.atan2(bb, a) * 180) / Math.PI + 360) % 360
    const round = (value: number, digits: number) => Number(value.toFixed(digits))
    // Rounded down, so that a colour on the border of sRGB is not pushed over it.
    return { l: round(l, 4), c: Math.floor(c * 10000) / 10000, h: round(h, 2) }
}
