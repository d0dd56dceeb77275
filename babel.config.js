/** Where components and hooks are: what is only computed with has nothing for the compiler, and takes half of its time. */
const hasComponents = (file) => /[\\/]src[\\/].*(\.tsx|[\\/]use[A-Z]\w*\.ts)$/.test(file);

module.exports = function (api) {
  api.cache(true);
  return {
    presets: [
      ['babel-preset-expo', { jsxImportSource: 'nativewind', 'react-compiler': { sources: hasComponents } }],
      'nativewind/babel',
    ],
  };
};
