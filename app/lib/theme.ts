export const themes = ['system', 'light', 'dark'] as const
export type Theme = (typeof themes)[number]

/** The theme this browser asked for; the device's own where it never did. */
export function readTheme(request: Request): Theme {
  const stored = /(?:^|;\s*)theme=(\w+)/.exec(request.headers.get('cookie') ?? '')?.[1]
  return themes.find((theme) => theme === stored) ?? 'system'
}

export const themeCookie = (theme: Theme): string => `theme=${theme}; Path=/; Max-Age=31536000; SameSite=Lax`
