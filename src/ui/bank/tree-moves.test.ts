import { describe, expect, it } from 'vitest';
import { depthOf, inward, moved, outward, type TreeNode } from './tree-moves';

const tree: TreeNode[] = [
  { id: 'a', parent: null },
  { id: 'a1', parent: 'a' },
  { id: 'a2', parent: 'a' },
  { id: 'b', parent: null },
  { id: 'b1', parent: 'b' },
  { id: 'c', parent: null },
];
const shape = (t: TreeNode[]): string => t.map((n) => '-'.repeat(depthOf(t, n.id)) + n.id).join(' ');

describe('moving topics', () => {
  it('carries what is below, down and up', () => {
    expect(shape(moved(tree, 'a', 'b'))).toBe('b -b1 a -a1 -a2 c');
    expect(shape(moved(tree, 'c', 'a'))).toBe('c a -a1 -a2 b -b1');
  });

  it('takes the parent of the place it goes to', () => {
    expect(shape(moved(tree, 'c', 'a2'))).toBe('a -a1 -c -a2 b -b1');
  });

  it('never puts a topic below itself', () => {
    expect(moved(tree, 'a', 'a1')).toBe(tree);
    expect(moved(tree, 'a', 'a')).toBe(tree);
  });

  it('goes in below the sibling before, and out after all of the parent', () => {
    expect(shape(inward(tree, 'b'))).toBe('a -a1 -a2 -b --b1 c');
    expect(inward(tree, 'a')).toBe(tree);
    expect(shape(outward(tree, 'a1'))).toBe('a -a2 a1 b -b1 c');
    expect(outward(tree, 'c')).toBe(tree);
  });
});
