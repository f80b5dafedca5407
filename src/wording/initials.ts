/** Wherever something is entered and nobody has said who is working. */
export const INITIALS_WANTED = 'Nothing is recorded without initials: put yours in at the top right.'
