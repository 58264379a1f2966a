import { useTheme } from '@mui/material';

/** What is connected to what. */
export type Setup =
  'cable' | 'coil' | 'jack' | 'pickup' | 'input' | 'output' | 'rigCoil' | 'rigSource';

const WIDTH = 420;
const HEIGHT = 120;
const RIGHT = WIDTH - 110;

const BOX = 'M12 34h64v60h-64z';
const coil = (x: number, y: number) =>
  `M${x} ${y}${Array.from({ length: 5 }, () => 'a6 7 0 0 1 12 0').join('')}`;
const resistor = (x: number, y: number) => `M${x} ${y - 5}h34v10h-34z`;
const capacitor = (x: number, y: number) => `M${x - 10} ${y}h20M${x - 10} ${y + 6}h20`;
const plug = (x: number, y: number) => `M${x} ${y - 5}h20v10h-20zM${x + 20} ${y}h14`;
const COIL_LOOP = `M76 54H240M76 84H330V54M300 54h30${coil(240, 54)}`;
const BOARD = 'M200 44h24v20h-24zM224 54h16M240 44h24v20h-24zM264 54h16M280 44h24v20h-24z';
const AMP = 'M304 54H330M330 40v54h60v-54zM76 84H330';

interface Drawn {
  readonly words: string;
  readonly lines: readonly string[];
  readonly labels: readonly (readonly [x: number, y: number, text: string])[];
}

const SETUPS: Readonly<Record<Setup, Drawn>> = {
  cable: {
    words: 'The meter on tip and sleeve of one plug; the far plug hangs free and touches nothing.',
    lines: ['M76 54H130M76 84H112V64H130M130 50h20v18h-20zM150 59q60 30 120 0t60 0', plug(330, 59)],
    labels: [
      [14, 24, 'meter'],
      [RIGHT, 24, 'far end open'],
    ],
  },
  coil: {
    words: 'The meter on the two wires of the coil itself, taken off its switch and pots.',
    lines: [COIL_LOOP],
    labels: [
      [14, 24, 'meter'],
      [250, 24, 'coil'],
    ],
  },
  jack: {
    words: 'The meter on tip and sleeve of the guitar’s jack; volume and tone full up.',
    lines: [
      COIL_LOOP,
      `M150 54v10M150 74v10${resistor(133, 69)}M200 54v8M200 68v16${capacitor(200, 62)}`,
    ],
    labels: [
      [14, 24, 'meter'],
      [84, 46, 'jack'],
      [130, 106, 'volume, tone'],
      [250, 24, 'pickup'],
    ],
  },
  pickup: {
    words:
      'The sweep drives a small coil on the pickup. The pickup works into a known resistor and a known capacitor, and the sweep listens there through a high impedance.',
    lines: [
      `M76 54H100${coil(100, 54)}M160 54h6V84H76M190 84V54${coil(190, 54)}M250 54H300V64M300 74V84H190M300 54H370V64M370 70V84H300`,
      resistor(283, 69),
      capacitor(370, 64),
    ],
    labels: [
      [14, 24, 'sweep'],
      [96, 24, 'driving coil'],
      [200, 24, 'pickup'],
      [RIGHT, 24, 'R and C, known'],
    ],
  },
  input: {
    words:
      'The generator through a known resistor into the input, the level read after the pedal; once with the resistor bridged, once without.',
    lines: [`M76 54H150${resistor(150, 54)}M184 54H300M76 84H300M300 44v50h70v-50z`],
    labels: [
      [14, 24, 'generator'],
      [140, 40, 'R, known'],
      [RIGHT, 24, 'input'],
    ],
  },
  output: {
    words:
      'The generator into the pedal; its output read once open, once with a known resistor across it.',
    lines: [
      `M76 54H150M76 84H150M150 44v50h70v-50zM220 54H330V64M330 74V84H220${resistor(313, 69)}`,
    ],
    labels: [
      [14, 24, 'generator'],
      [160, 24, 'pedal'],
      [RIGHT, 24, 'R, known'],
    ],
  },
  rigCoil: {
    words:
      'The sweep in series with the pickup’s earth lead, the guitar as it is played. It listens at the amp’s end of the last cable, the amp’s input connected.',
    lines: [`M76 54H110${coil(110, 54)}M170 54H200`, BOARD, AMP],
    labels: [
      [14, 24, 'sweep'],
      [120, 40, 'pickup'],
      [210, 24, 'board'],
      [RIGHT, 24, 'amp’s input'],
    ],
  },
  rigSource: {
    words:
      'The sweep through a known resistor in the place of the guitar. It listens at the amp’s end of the last cable, the amp’s input connected.',
    lines: [`M76 54H118${resistor(118, 54)}M152 54H200`, BOARD, AMP],
    labels: [
      [14, 24, 'sweep'],
      [108, 40, 'R, known'],
      [210, 24, 'board'],
      [RIGHT, 24, 'amp’s input'],
    ],
  },
};

/** A plain line drawing of what is connected; the same in words for who does not see it. */
export function ConnectionDrawing({ setup }: { readonly setup: Setup }) {
  const { chart } = useTheme();
  const { words, lines, labels } = SETUPS[setup];
  return (
    <figure style={{ margin: 0 }}>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width={WIDTH}
        style={{ maxWidth: '100%', display: 'block' }}
        aria-hidden
      >
        <path d={[BOX, ...lines].join('')} fill="none" stroke={chart.ink} strokeWidth={1.4} />
        {labels.map(([x, y, text]) => (
          <text key={text} x={x} y={y} fontSize={12.5} fill={chart.ink}>
            {text}
          </text>
        ))}
      </svg>
      <figcaption style={{ fontSize: 13.5, color: chart.faint, maxWidth: 560 }}>{words}</figcaption>
    </figure>
  );
}
