/** Initials were asked for before the first reading and are known here from then on. */
export const KNOWN_PERSON = { name: 'kalibros-initials', value: 'KV', domain: '127.0.0.1', path: '/' }
