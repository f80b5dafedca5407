/** How hard an engine is used, as the presets of the trade tell duties apart. `unsaid`: a preset that needs to know says so. */
export const DUTY_USES = ['unsaid', 'street', 'competition', 'sustained', 'drag'] as const
export type DutyUse = (typeof DUTY_USES)[number]

export const FUELS = ['unsaid', 'petrol', 'ethanolBlend', 'methanol', 'diesel'] as const
export type Fuel = (typeof FUELS)[number]
