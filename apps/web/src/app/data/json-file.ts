import type { Problem } from '@yandle/contract';

/** What is said when a file holds no JSON. */
export const NO_JSON: Problem = {
  type: 'about:blank',
  title: 'This isn’t JSON',
  status: 400,
  code: 'malformed-body',
  detail: 'Choose a file that was exported here.',
  instance: '',
};

/** Hands a file to the browser, to be kept by the coach. */
export function saveJson(name: string, content: unknown): void {
  const url = URL.createObjectURL(new Blob([JSON.stringify(content, null, 2)], { type: 'application/json' }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
