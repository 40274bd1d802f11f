/** What a browser keeps of jobs lies under this name. */
export const STORE_NAME = 'ruddy-siphon'
