import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { filesBelow } from '../../scripts/install.mjs';

/** A piece of text in the program that somebody may read, with its place (`file:line`). */
export interface SaidWords {
  at: string;
  text: string;
}

/** Texts that are no words: names of modules, and types that are told apart by a string. */
const isCode = (parent: ts.Node): boolean =>
  ts.isImportDeclaration(parent) || ts.isExportDeclaration(parent) || ts.isLiteralTypeNode(parent);

const isText = (node: ts.Node): node is ts.LiteralLikeNode =>
  ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node) || ts.isJsxText(node);

/** All texts of a source file: strings, pieces of templates, and what stands between tags. */
export function wordsOf(file: string, source: string): SaidWords[] {
  const parsed = ts.createSourceFile(file, source, ts.ScriptTarget.Latest);
  const found: SaidWords[] = [];
  const visit = (node: ts.Node, parent: ts.Node): void => {
    const text = isText(node) && !isCode(parent) ? node.text.replace(/\s+/g, ' ').trim() : '';
    if (text !== '') found.push({ at: `${file}:${parsed.getLineAndCharacterOfPosition(node.pos).line + 1}`, text });
    ts.forEachChild(node, (child) => visit(child, node));
  };
  ts.forEachChild(parsed, (node) => visit(node, parsed));
  return found;
}

/** A page is read as its script and, behind that, as tags. */
const astroWords = (file: string, source: string): SaidWords[] => {
  const [, script = '', tags = ''] = /^---\n(.*?)\n---\n(.*)$/s.exec(source) ?? [];
  const asTsx = tags.replace(/<!doctype html>/i, '').replace(/<(script|style)>.*?<\/\1>/gs, '');
  return [...wordsOf(`${file}.ts`, script), ...wordsOf(`${file}.tsx`, `<>${asTsx}</>`)];
};

/** What the program says anywhere: on screens, on paper, in letters and in errors. */
export const allSaidWords = (): SaidWords[] =>
  filesBelow('src')
    .filter((file: string) => /\.(tsx?|astro)$/.test(file))
    .flatMap((file: string) => (file.endsWith('.astro') ? astroWords : wordsOf)(file, readFileSync(file, 'utf8')));
