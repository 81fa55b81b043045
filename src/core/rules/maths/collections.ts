import { type Conditions, equalTrees, type Equality } from './equal';
import { bare, mapTree, some, type Tree } from './tree';

const SAME: Equality = { equal: true, thin: false };
const OTHER: Equality = { equal: false, thin: false };

/** The trees that a plus-minus stands for: two for one or several signs, which go together. */
export function bothSigns(tree: Tree): Tree[] {
  if (!some(tree, (part) => part.type === 'plusMinus')) return [tree];
  return [withSign(tree, true), withSign(tree, false)];
}

function withSign(tree: Tree, upper: boolean): Tree {
  return mapTree(tree, (part) => {
    if (part.type !== 'plusMinus') return null;
    const right = withSign(part.right, upper);
    const plus = upper !== part.flipped;
    if (!part.left) return plus ? right : { type: 'negate', of: right };
    return { type: plus ? 'add' : 'subtract', left: withSign(part.left, upper), right };
  });
}

/** The elements that a text names as a set: in braces or bare, as solutions, with a plus-minus. Null when it is none. */
export function setElements(tree: Tree): Tree[] | null {
  switch (tree.type) {
    case 'group':
      return setElements(tree.of);
    case 'logic': {
      const parts = tree.parts.map(setElements);
      return parts.some((part) => part === null) ? null : parts.flatMap((part) => part ?? []);
    }
    case 'setOperation': {
      const [left, right] = [setElements(tree.left), setElements(tree.right)];
      return tree.how === 'union' && left && right ? [...left, ...right] : null;
    }
    case 'relation': {
      const [name, value] = tree.parts;
      if (tree.parts.length !== 2 || name?.type !== 'name' || !value) return null;
      if (tree.signs[0] === '∈') return setElements(value);
      return tree.signs[0] === '=' ? setElements(value) : null;
    }
    case 'collection': {
      if (tree.open === '{' && tree.close === '}') return tree.items.flatMap(bothSigns);
      if (tree.open !== '') return [tree];
      const parts = tree.items.map(setElements);
      return parts.some((part) => part === null) ? null : parts.flatMap((part) => part ?? []);
    }
    default:
      return bothSigns(tree);
  }
}

export function sameSet(key: readonly Tree[], answer: readonly Tree[], conditions: Conditions): Equality {
  let undecided = false;
  const within = (element: Tree, of: readonly Tree[]): boolean =>
    of.some((other) => {
      const equality = sameElement(other, element, conditions);
      if (equality === 'undecided') undecided = true;
      return equality !== 'undecided' && equality.equal;
    });
  const same = answer.every((element) => within(element, key)) && key.every((element) => within(element, answer));
  return !same && undecided ? 'undecided' : same ? SAME : OTHER;
}

/** An element may be a pair or a matrix itself. */
function sameElement(key: Tree, answer: Tree, conditions: Conditions): Equality {
  const [a, b] = [bare(key), bare(answer)];
  const nested = (tree: Tree): boolean => tree.type === 'collection' || tree.type === 'matrix';
  if (nested(a) || nested(b)) {
    const [left, right] = [tupleElements(a), tupleElements(b)];
    if (a.type === 'matrix' && b.type === 'matrix') return sameMatrix(a.rows, b.rows, conditions);
    return left && right ? sameTuple(left, right, conditions) : OTHER;
  }
  return equalTrees(a, b, conditions);
}

/** The elements of a list without brackets, or in any. */
export function listElements(tree: Tree): Tree[] {
  const list = bare(tree);
  return list.type === 'collection' ? list.items : [list];
}

const TUPLE_BRACKETS = ['()', '⟨⟩', '[]'];

/** The coordinates of a tuple or a vector; null for a set, an interval or a matrix. */
export function tupleElements(tree: Tree, coordinates: readonly string[] = []): Tree[] | null {
  const tuple = bare(tree);
  if (coordinates.length > 0) {
    const named = namedCoordinates(tuple, coordinates);
    if (named) return named;
  }
  if (tuple.type === 'matrix') {
    const [first] = tuple.rows;
    if (tuple.rows.every((row) => row.length === 1)) return tuple.rows.flat();
    return tuple.rows.length === 1 && first ? first : null;
  }
  if (tuple.type !== 'collection') return [tuple];
  return tuple.open === '' || TUPLE_BRACKETS.includes(tuple.open + tuple.close) ? tuple.items : null;
}

/** "x = 2, y = 5" in the order of the coordinates. */
function namedCoordinates(tree: Tree, coordinates: readonly string[]): Tree[] | null {
  const parts =
    tree.type === 'logic' && tree.how === 'and' ? tree.parts : tree.type === 'collection' ? tree.items : [tree];
  const values = coordinates.map((name) => {
    const own = parts.filter(
      (part) =>
        part.type === 'relation' &&
        part.parts.length === 2 &&
        part.signs[0] === '=' &&
        part.parts[0]?.type === 'name' &&
        part.parts[0].name === name,
    );
    const [only] = own;
    return own.length === 1 && only?.type === 'relation' ? (only.parts[1] ?? null) : null;
  });
  return values.length === parts.length && values.every((value) => value !== null) ? values : null;
}

export function sameTuple(key: readonly Tree[], answer: readonly Tree[], conditions: Conditions): Equality {
  if (key.length !== answer.length) return OTHER;
  let thin = false;
  for (const [n, element] of key.entries()) {
    const other = answer[n];
    const equality = other ? sameElement(element, other, conditions) : OTHER;
    if (equality === 'undecided' || !equality.equal) return equality;
    thin ||= equality.thin;
  }
  return { equal: true, thin };
}

export function sameMatrix(key: readonly Tree[][], answer: readonly Tree[][], conditions: Conditions): Equality {
  if (key.length !== answer.length || key[0]?.length !== answer[0]?.length) return OTHER;
  return sameTuple(key.flat(), answer.flat(), conditions);
}
