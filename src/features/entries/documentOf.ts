import { BUILD_FORMAT, BUILD_VERSION, type Build, type BuildDocument } from '@/core/document'

/** The build as plain data, for a worker: maps and figures stay behind. */
export function documentOf(build: Build): BuildDocument {
  return {
    format: BUILD_FORMAT,
    version: BUILD_VERSION,
    id: build.id,
    createdAt: '',
    spec: build.spec,
    gauges: [...build.gauges.values()],
    entries: [...build.entries],
  }
}
