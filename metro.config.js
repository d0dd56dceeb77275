const path = require('path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/** Parts of libraries that nothing here calls: what they export is there and empty. */
const unused = [
  /[\\/]zod[\\/]v4[\\/]core[\\/](compile|json-schema-generator|json-schema-processors)\.js$/,
  /[\\/]zod[\\/]v4[\\/]classic[\\/]from-json-schema\.js$/,
  /[\\/]react-i18next[\\/]dist[\\/]es[\\/](Trans|TransWithoutContext|IcuTrans|IcuTransWithoutContext|withTranslation|withSSR)\.js$/,
  // drawings come as elements here, never as text
  /[\\/]react-native-svg[\\/](src|lib[\\/]module)[\\/](xml|xmlTags|deprecated|utils[\\/]fetchData|lib[\\/]extract[\\/]transform(ToRn)?)\.[jt]sx?$/,
];
// Metro does not tree-shake: leave out zod's ~50 message catalogues, English is built in.
const zodLocales = path.join('zod', 'v4', 'locales', 'index');
config.resolver.resolveRequest = (context, moduleName, platform) => {
  const r = context.resolveRequest(context, moduleName, platform);
  if (r.type === 'sourceFile' && r.filePath.includes(zodLocales)) {
    return { type: 'sourceFile', filePath: path.join(__dirname, 'src', 'model', 'zodLocales.js') };
  }
  if (r.type === 'sourceFile' && unused.some((x) => x.test(r.filePath))) return { type: 'empty' };
  // its wrapper for ES modules expects a default that Metro does not make; beside it lies the same code as one
  if (r.type === 'sourceFile' && /[\\/]tslib[\\/]modules[\\/]index\.js$/.test(r.filePath)) {
    return { type: 'sourceFile', filePath: r.filePath.replace(/modules[\\/]index\.js$/, 'tslib.es6.js') };
  }
  return r;
};

module.exports = withNativeWind(config, { input: './global.css' });
