/** Nobody has said it: a preset that needs to know says so. Build files hold it by this word. */
export const NOT_SAID = 'unsaid'

/** How hard an engine is used, as the presets of the trade tell duties apart. */
export const DUTY_USES = [NOT_SAID, 'street', 'competition', 'sustained', 'drag'] as const
export type DutyUse = (typeof DUTY_USES)[number]

export const FUELS = [NOT_SAID, 'petrol', 'ethanolBlend', 'methanol', 'diesel'] as const
export type Fuel = (typeof FUELS)[number]
