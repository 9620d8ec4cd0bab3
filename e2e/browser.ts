/** How Debian's Chromium is started, for the browser tests and the pictures. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-quic',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
    '--disable-dev-shm-usage',
  ],
};

/** The time zone of the demo studios: one where it is late morning, whenever the tests run. */
export const ZONE = process.env['DEMO_TIME_ZONE'] ?? 'Europe/Vienna';
