module.exports = (config) => {
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    hostname: '127.0.0.1',
    listenAddress: '127.0.0.1',
    browsers: ['Quiet'],
    customLaunchers: {
      Quiet: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-quic',
          '--no-first-run',
          '--disable-background-networking',
          '--disable-component-update',
          '--disable-sync',
          '--disable-dev-shm-usage',
        ],
      },
    },
    // A spec that draws every parcel waits for a busy machine; one that hangs still ends.
    client: { jasmine: { timeoutInterval: 180_000 } },
    browserNoActivityTimeout: 400_000,
    reporters: ['progress'],
    restartOnFileChange: false,
  });
};
