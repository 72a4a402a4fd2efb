import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(...ts.configs.strict, hooks.configs.flat['recommended-latest'], {
  ignores: ['src/api/schema.d.ts'],
});
