const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** The longest word that a route of ours has; what is longer and no id may open something. */
const LONGEST_WORD = 20;

/** The path of a request as the log keeps it: without its query, and without tokens, which stand in paths of links. */
export function pathForLog(url: string): string {
  return url
    .split('?')[0]!
    .split('/')
    .map((part) => (part.length <= LONGEST_WORD || UUID.test(part) || /\.(js|css|woff2|json)$/.test(part) ? part : '…'))
    .join('/');
}
