// What can be changed in a file, one thing at a time, and the file with all the chosen changes in it, each behind a switch.
import { readFileSync } from 'node:fs';

import ts from 'typescript';

export interface Site {
  file: string;
  /** where in the file the operator or number stands, characters */
  from: number;
  to: number;
  line: number;
  was: string;
  becomes: string;
}

const swaps: Record<string, string> = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '??': '&&',
};

/** Places of a file where one thing can be changed and it still compiles. */
export function sitesOf(file: string): Site[] {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const sites: Site[] = [];
  const add = (node: ts.Node, becomes: string) =>
    sites.push({
      file,
      from: node.getStart(source),
      to: node.getEnd(),
      line: source.getLineAndCharacterOfPosition(node.getStart(source)).line + 1,
      was: node.getText(source),
      becomes,
    });
  const visit = (node: ts.Node): void => {
    // types and words are no behaviour of core
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) {
      const to = swaps[node.operatorToken.getText(source)];
      const words = [node.left, node.right].some((x) => ts.isStringLiteralLike(x) || ts.isTemplateExpression(x));
      if (to && !(words && node.operatorToken.kind === ts.SyntaxKind.PlusToken)) add(node.operatorToken, to);
    }
    // the number of a key is a name
    const isName = ts.isNumericLiteral(node) && (node.parent as { name?: ts.Node }).name === node;
    if (ts.isNumericLiteral(node) && !isName) {
      const v = Number(node.text.replaceAll('_', ''));
      add(node, v === 0 ? '1' : Number.isInteger(v) && Math.abs(v) < 10 ? String(v + 1) : String(v * 1.25));
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.MinusToken)
      add(node, `(${node.operand.getText(source)})`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return sites;
}

/**
 * The file with every one of these changes written into it: `a + b` becomes `(__m(7) ? (a) - (b) : (a) + (b))`, so that one text,
 * transformed once, serves every change, and a test that comes by says which of them it meets.
 * @param sites changes of this file, by their number
 */
export function switched(text: string, file: string, sites: ReadonlyMap<number, Site>): string {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const at = new Map<number, [number, Site]>();
  for (const [id, s] of sites) at.set(s.from, [id, s]);
  const write = (node: ts.Node): string => {
    let out = '';
    let from = node.getStart(source);
    ts.forEachChild(node, (child) => {
      // what is nothing in the text (a missing list) has no place in it
      if (child.getEnd() <= child.getStart(source)) return;
      out += text.slice(from, child.getStart(source)) + write(child);
      from = child.getEnd();
    });
    out += text.slice(from, node.getEnd());
    if (ts.isBinaryExpression(node)) {
      const chosen = at.get(node.operatorToken.getStart(source));
      if (chosen && chosen[1].to === node.operatorToken.getEnd()) {
        const [l, r] = [write(node.left), write(node.right)];
        return `(__m(${chosen[0]}) ? (${l}) ${chosen[1].becomes} (${r}) : (${l}) ${chosen[1].was} (${r}))`;
      }
    }
    const own =
      ts.isNumericLiteral(node) || ts.isPrefixUnaryExpression(node) ? at.get(node.getStart(source)) : undefined;
    if (own && own[1].to === node.getEnd())
      return ts.isPrefixUnaryExpression(node)
        ? `(__m(${own[0]}) ? (${write(node.operand)}) : ${out})`
        : `(__m(${own[0]}) ? ${own[1].becomes} : ${out})`;
    return out;
  };
  return `const __m = globalThis.__mutant ?? ((i) => String(i) === process.env.MUTANT); ${text.slice(0, source.getStart())}${write(source)}`;
}
