import express, { Router } from 'express';

/** The built web application: hashed files for a year, the page itself always fresh. Every other path is the application's own. */
export function webFiles(root: string): Router {
  const router = Router();
  router.use(
    express.static(root, {
      index: false,
      setHeaders: (res, path) =>
        res.setHeader(
          'cache-control',
          /-[A-Z0-9]{8}\.(js|css|woff2)$/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache',
        ),
    }),
  );
  router.get(/^\/(?!api\/)/, (req, res, next) => {
    // A file that is missing is missing: the page in its place would be run as a script.
    if (!req.accepts('html') || /\.[a-z0-9]+$/i.test(req.path)) return next();
    res.set('cache-control', 'no-cache').sendFile('index.html', { root });
  });
  return router;
}
