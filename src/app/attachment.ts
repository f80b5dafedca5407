/** Headers of a download named after its build; letters a file system may not like are left out. */
export function attachment(name: string, ending: string, type: string): HeadersInit {
  const plain = name.replace(/[^\p{L}\p{N} _-]/gu, '').trim() || 'build'
  const ascii = plain.normalize('NFKD').replace(/[^\x20-\x7e]/g, '')
  return {
    'content-type': `${type}; charset=utf-8`,
    'content-disposition': `attachment; filename="${ascii || 'build'}.${ending}"; filename*=UTF-8''${encodeURIComponent(plain)}.${ending}`,
    'cache-control': 'no-store',
  }
}
