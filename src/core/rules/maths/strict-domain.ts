import { residue } from './modular';
import { childrenOf, namesOf, type Tree } from './tree';

/** What stands below a line anywhere, negative powers included. */
function denominators(tree: Tree): Tree[] {
  const own: Tree[] = tree.type === 'divide' ? [tree.right] : [];
  return [...own, ...childrenOf(tree).flatMap(denominators)];
}

const SMALL = Array.from({ length: 401 }, (_, n) => BigInt(n - 200));

/** Whether two functions of one variable are undefined at the same small integers and halves: isolated holes count. */
export function sameDomain(key: Tree, answer: Tree): boolean {
  const names = new Set([...namesOf(key), ...namesOf(answer)]);
  if (denominators(key).length === 0 && denominators(answer).length === 0) return true;
  return SMALL.every((n) => {
    const at = new Map([...names].map((name) => [name, n]));
    return (residue(key, at) === 'undefined') === (residue(answer, at) === 'undefined');
  });
}
