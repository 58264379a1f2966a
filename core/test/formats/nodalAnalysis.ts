import { add, c, div, mul, size, type Complex } from '../circuit/complex';

/// Node voltages of a netlist by modified nodal analysis: slow, and nothing like the solver.

interface Element {
  readonly letter: string;
  readonly nodes: readonly string[];
  readonly words: readonly string[];
}

function parse(netlist: string): readonly Element[] {
  return netlist
    .split('\n')
    .filter((line) => /^[RLCVE]/u.test(line))
    .map((line) => {
      const [name, ...words] = line.split(' ');
      const count = name!.startsWith('E') ? 4 : 2;
      return { letter: name![0]!, nodes: words.slice(0, count), words: words.slice(count) };
    });
}

function solve(matrix: Complex[][], right: Complex[]): readonly Complex[] {
  const n = right.length;
  for (let k = 0; k < n; k++) {
    let pivot = k;
    for (let i = k + 1; i < n; i++) if (size(matrix[i]![k]!) > size(matrix[pivot]![k]!)) pivot = i;
    [matrix[k], matrix[pivot]] = [matrix[pivot]!, matrix[k]!];
    [right[k], right[pivot]] = [right[pivot]!, right[k]!];
    for (let i = k + 1; i < n; i++) {
      if (size(matrix[i]![k]!) === 0) continue;
      const factor = mul(c(-1), div(matrix[i]![k]!, matrix[k]![k]!));
      for (let j = k; j < n; j++) matrix[i]![j] = add(matrix[i]![j]!, mul(factor, matrix[k]![j]!));
      right[i] = add(right[i]!, mul(factor, right[k]!));
    }
  }
  const x: Complex[] = Array.from({ length: n }, () => c(0));
  for (let k = n - 1; k >= 0; k--) {
    let sum = right[k]!;
    for (let j = k + 1; j < n; j++) sum = add(sum, mul(c(-1), mul(matrix[k]![j]!, x[j]!)));
    x[k] = div(sum, matrix[k]![k]!);
  }
  return x;
}

/** Voltage of a node at one frequency. @throws where the netlist is not one circuit */
export function voltageAt(netlist: string, node: string, frequencyHz: number): Complex {
  const elements = parse(netlist);
  const w = 2 * Math.PI * frequencyHz;
  const names = [...new Set(elements.flatMap(({ nodes }) => nodes))].filter((name) => name !== '0');
  const sources = elements.filter(({ letter }) => letter === 'V' || letter === 'E');
  const size_ = names.length + sources.length;
  const matrix = Array.from({ length: size_ }, () => Array.from({ length: size_ }, () => c(0)));
  const right = Array.from({ length: size_ }, () => c(0));
  const put = (i: number, j: number, value: Complex) => {
    if (i >= 0 && j >= 0) matrix[i]![j] = add(matrix[i]![j]!, value);
  };
  for (const { letter, nodes, words } of elements) {
    const [a, b] = nodes.map((name) => names.indexOf(name)) as [number, number];
    const value = Number(words[0]);
    if (letter === 'V' || letter === 'E') continue;
    const y =
      letter === 'R' ? c(1 / value) : letter === 'C' ? c(0, w * value) : c(0, -1 / (w * value));
    put(a, a, y);
    put(b, b, y);
    put(a, b, mul(c(-1), y));
    put(b, a, mul(c(-1), y));
  }
  for (const [k, { letter, nodes, words }] of sources.entries()) {
    const at = names.length + k;
    const [a, b, from, to] = nodes.map((name) => names.indexOf(name)) as [
      number,
      number,
      number,
      number,
    ];
    for (const [node_, sign] of [
      [a, 1],
      [b, -1],
    ] as const) {
      put(node_, at, c(sign));
      put(at, node_, c(sign));
    }
    if (letter === 'E') {
      put(at, from, c(-Number(words[0])));
      put(at, to, c(Number(words[0])));
      continue;
    }
    const ac = words.indexOf('AC');
    if (ac >= 0) right[at] = c(Number(words[ac + 1]) * (words[ac + 2] === '180' ? -1 : 1));
  }
  return solve(matrix, right)[names.indexOf(node)]!;
}
