/** A tree as a list in reading order, each node after its parent. */
export interface TreeNode {
  id: string;
  parent: string | null;
}

export function depthOf(tree: readonly TreeNode[], id: string): number {
  const parent = tree.find((n) => n.id === id)?.parent ?? null;
  return parent === null ? 0 : 1 + depthOf(tree, parent);
}

function isBelow(tree: readonly TreeNode[], id: string, above: string): boolean {
  const parent = tree.find((n) => n.id === id)?.parent ?? null;
  return parent !== null && (parent === above || isBelow(tree, parent, above));
}

/** Moves a node with all below it to where another stands, and beside it. Onto itself or below itself changes nothing. */
export function moved<T extends TreeNode>(tree: T[], id: string, to: string): T[] {
  const from = tree.findIndex((n) => n.id === id);
  const target = tree.findIndex((n) => n.id === to);
  if (from < 0 || target < 0 || id === to || isBelow(tree, to, id)) return tree;
  const carried = tree.filter((n) => n.id === id || isBelow(tree, n.id, id));
  const rest = tree.filter((n) => !carried.includes(n));
  let at = rest.findIndex((n) => n.id === to);
  if (from < target) {
    at += 1;
    while (at < rest.length && isBelow(rest, rest[at]?.id ?? '', to)) at += 1;
  }
  const parent = tree[target]?.parent ?? null;
  return [...rest.slice(0, at), ...carried.map((n) => (n.id === id ? { ...n, parent } : n)), ...rest.slice(at)];
}

/** Puts a node below the sibling before it; without one nothing changes. */
export function inward<T extends TreeNode>(tree: T[], id: string): T[] {
  const at = tree.findIndex((n) => n.id === id);
  const parent = tree[at]?.parent ?? null;
  const before = tree.slice(0, at).findLast((n) => n.parent === parent);
  return before ? tree.map((n) => (n.id === id ? { ...n, parent: before.id } : n)) : tree;
}

/** Takes a node one step out of its parent, to stand after everything below the parent. */
export function outward<T extends TreeNode>(tree: T[], id: string): T[] {
  const node = tree.find((n) => n.id === id);
  if (!node?.parent) return tree;
  const above = tree.find((n) => n.id === node.parent);
  const carried = tree.filter((n) => n.id === id || isBelow(tree, n.id, id));
  const rest = tree.filter((n) => !carried.includes(n));
  let at = rest.findIndex((n) => n.id === above?.id) + 1;
  while (at < rest.length && isBelow(rest, rest[at]?.id ?? '', above?.id ?? '')) at += 1;
  const out = carried.map((n) => (n.id === id ? { ...n, parent: above?.parent ?? null } : n));
  return [...rest.slice(0, at), ...out, ...rest.slice(at)];
}
