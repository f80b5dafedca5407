export const BUILD_FORMAT = 'kalibros-build'
export const BUILD_VERSION = 13
