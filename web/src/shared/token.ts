/** The token that guards against strangers' pages. */
export const token = () => /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1]
