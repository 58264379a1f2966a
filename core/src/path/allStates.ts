import {
  addElement,
  addSource,
  chooseLeadForm,
  createLadderState,
  endLadder,
  LadderBuilder,
  resetLadder,
  runLadder,
  type FrequencyGrid,
  type Ladder,
  type LeadForm,
  type Load,
  type PathElement,
  type Source,
} from '../circuit';
import type { Device } from '../gear';
import { hasSwitch, isEngaged, type Rig } from '../rig';
import {
  ampLoad,
  bypassElements,
  guitarSource,
  inputLoad,
  leadElement,
  offRole,
  sideSource,
} from './drivenPath';

/// All 2ⁿ foot-switch combinations as paths through a graph of driven sections.
///
/// Between two neighbouring drivers every device is passive, so a section is fixed by its two ends:
/// O(n²) sections for n devices, and every state of the board is one path from guitar to amp. Levels in
/// dB add up along a path, so whatever is linear in dB is found exactly by dynamic programming.

/** A device as a driver in one of its switch positions. */
export interface DriverNode {
  /** −1 is the guitar, `devices.length` the amp. */
  readonly device: number;
  readonly engaged: boolean;
}

/** A section from one node to another, with its levels in dB over the grid it was solved on. */
export interface SectionEdge {
  readonly from: number;
  readonly to: number;
  readonly levelsDb: Float64Array;
}

/** Nodes in the order of the way, guitar first, amp last; edges sorted by where they end. */
export interface StateGraph {
  readonly nodes: readonly DriverNode[];
  readonly edges: readonly SectionEdge[];
}

/** What a device may be while its switch takes part, or stands still. */
interface DeviceOptions {
  /** Driver states it can be in. */
  readonly drivers: readonly boolean[];
  /** What it is as a wire, if it can be one. */
  readonly passive: readonly PathElement[] | null;
}

function optionsOf(rig: Rig, device: Device, counts: boolean): DeviceOptions {
  const positions = counts && hasSwitch(device) ? [true, false] : [isEngaged(rig, device)];
  const drivers: boolean[] = [];
  let passive: readonly PathElement[] | null = null;
  for (const engaged of positions) {
    // A device that mutes while engaged is a state in which nothing is heard: left out.
    if (engaged && device.mutes) continue;
    const role = engaged ? 'driver' : offRole(device);
    if (role === 'driver') drivers.push(engaged);
    else passive = bypassElements(device, role === 'loadedWire');
  }
  return { drivers, passive };
}

/**
 * Solves every section that any combination of the counted switches can make.
 *
 * @param counted ids of the devices whose switches take part; the others stand as they are
 */
export function buildStateGraph(
  rig: Rig,
  counted: ReadonlySet<string>,
  grid: FrequencyGrid,
): StateGraph {
  const options = rig.devices.map((device) => optionsOf(rig, device, counted.has(device.id)));
  const nodes: DriverNode[] = [{ device: -1, engaged: true }];
  options.forEach(({ drivers }, device) =>
    drivers.forEach((engaged) => nodes.push({ device, engaged })),
  );
  nodes.push({ device: rig.devices.length, engaged: true });
  const solver = new EdgeSolver(rig, options, nodes, grid);
  const edges = nodes.slice(0, -1).flatMap((_, from) => solver.edgesFrom(from));
  return { nodes, edges: edges.sort((a, b) => a.to - b.to || a.from - b.from) };
}

class EdgeSolver {
  private readonly state;
  private readonly out: Float64Array;

  constructor(
    private readonly rig: Rig,
    private readonly options: readonly DeviceOptions[],
    private readonly nodes: readonly DriverNode[],
    private readonly grid: FrequencyGrid,
  ) {
    this.state = createLadderState(grid.omega.length);
    this.out = new Float64Array(2 * grid.omega.length);
  }

  /**
   * Walks on from a driver while the devices ahead can be passive, ending a section at every input on
   * the way. Where the longer sections need their leads as lines, those are walked a second time.
   */
  edgesFrom(from: number): SectionEdge[] {
    const { device, engaged } = this.nodes[from]!;
    const source = this.sourceOf(device, engaged);
    const stages = this.stagesBehind(device);
    const forms = stages.map((_, i) =>
      chooseLeadForm({ source, path: stages.slice(0, i + 1).flat() }),
    );
    return (['lumped', 'line'] as const).flatMap((form) =>
      this.walk(from, source, stages.slice(0, forms.lastIndexOf(form) + 1), form).filter(
        ({ to }) => forms[this.nodes[to]!.device - device - 1] === form,
      ),
    );
  }

  /** What stands between a driver and each input behind it, as far as it can be passive. */
  private stagesBehind(device: number): PathElement[][] {
    const stages: PathElement[][] = [];
    for (let j = device + 1; j <= this.rig.devices.length; j++) {
      const before = j > device + 1 ? this.options[j - 1]!.passive : [];
      if (before === null) break;
      stages.push([...before, leadElement(this.rig.leads[j]!)]);
    }
    return stages;
  }

  private walk(
    from: number,
    source: Source,
    stages: readonly (readonly PathElement[])[],
    form: LeadForm,
  ): SectionEdge[] {
    const builder = new LadderBuilder();
    addSource(builder, source);
    const stops = stages.map((stage) => {
      stage.forEach((element) => addElement(builder, element, form));
      return builder.mark();
    });
    const ladder = builder.build();
    resetLadder(this.state);
    return stops.flatMap((stop, i) => {
      runLadder(ladder, stops[i - 1] ?? 0, stop, this.grid, this.state);
      return this.edgesInto(from, this.nodes[from]!.device + 1 + i, ladder);
    });
  }

  /** One section for every way the device at its end can take it in. */
  private edgesInto(from: number, device: number, ladder: Ladder): SectionEdge[] {
    return this.nodes.flatMap((node, to) =>
      node.device === device ? [{ from, to, levelsDb: this.end(ladder, node) }] : [],
    );
  }

  private sourceOf(device: number, engaged: boolean): Source {
    if (device < 0) return guitarSource(this.rig.guitar);
    const { on, off } = this.rig.devices[device]!;
    return sideSource(engaged ? on : off);
  }

  private loadOf({ device, engaged }: DriverNode): Load {
    const end = this.rig.devices[device];
    return end ? inputLoad(engaged ? end.on : end.off) : ampLoad(this.rig.amp);
  }

  private end(ladder: Ladder, node: DriverNode): Float64Array {
    const { out, grid, state } = this;
    endLadder(ladder.gain, this.loadOf(node), grid, out, state);
    return Float64Array.from(
      grid.omega,
      (_, i) => 10 * Math.log10(out[2 * i]! ** 2 + out[2 * i + 1]! ** 2),
    );
  }
}
