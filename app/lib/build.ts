declare const __BUILD__: string | undefined

/** Which build this is: the page and its server have the same, until the program is renewed under an open page. */
export const BUILD: string = typeof __BUILD__ === 'string' ? __BUILD__ : 'unbuilt'
/** In which header each says so. */
export const BUILD_HEADER = 'X-Siphon-Build'
