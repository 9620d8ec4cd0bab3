/** `import.meta.glob`, for the tests that read our own sources. */
import 'vite/types/importMeta.d.ts';
