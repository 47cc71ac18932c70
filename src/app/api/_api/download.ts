/** A file as a download, under a name that is safe in a header. */
export const download = (body: string, type: string, name: string): Response =>
  new Response(body, {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name.replace(/[^\w.-]/g, '_')}"` },
  })
