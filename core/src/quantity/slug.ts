/** A name as a part of an id: small letters, digits and hyphens, at most 40; '' where nothing is left. @example slug('Top shelf') === 'top-shelf' */
export const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40);

/** What is printed at a pin as its id: of signs a plus is told. @example labelId('V+') === 'vplus' */
export const labelId = (label: string): string => slug(label.replace(/\+/g, 'plus'));
