/** Where the program lies at its address, as the server says in the page; "" at its root. */
export const PREFIX =
  document.querySelector<HTMLMetaElement>('meta[name="prefix"]')?.getAttribute('content') ?? ''

/** An address of the program itself, from its own root. */
export const at = (path: string) => PREFIX + path
