/** Fields whose content goes back to nobody's page. */
export const isSecret = (name: string): boolean => /password|present/.test(name);
