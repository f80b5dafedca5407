/** Of the bolts themselves, where nobody says otherwise. */
export const STEEL_MODULUS = { value: 205_000, tolerance: 5000, source: 'from memory: 200 to 210 GPa' }
