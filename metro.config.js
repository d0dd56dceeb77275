const path = require('path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

// Metro does not tree-shake: leave out zod's ~50 message catalogues, English is built in.
const zodLocales = path.join('zod', 'v4', 'locales', 'index');
config.resolver.resolveRequest = (context, moduleName, platform) => {
  const r = context.resolveRequest(context, moduleName, platform);
  if (r.type === 'sourceFile' && r.filePath.includes(zodLocales)) {
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src', 'model', 'zodLocales.js') };
  }
  return r;
};

module.exports = withNativeWind(config, { input: './global.css' });
