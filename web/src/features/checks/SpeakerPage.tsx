import {
  areaOfGauge,
  checkSpeakerCable,
  entered,
  formatNumber,
  formatQuantity,
  formatSignedDb,
  METRES_PER_FOOT,
  gaugeOfArea,
  INSTRUMENT_CABLE_REFUSED,
  type FieldRule,
  type Sourced,
} from '@gullwind/core';
import { Alert, Box, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { useSettings } from '../../app/useSettings';
import { ChoiceField } from '../../ui/parts/ChoiceField';
import { QuantityField } from '../../ui/QuantityField';
import { Figure } from '../../ui/Figure';

const rule = (
  label: string,
  quantity: FieldRule['quantity'],
  min: number,
  max: number,
): FieldRule => ({
  label,
  quantity,
  min,
  max,
});
const LENGTH = rule('Length', 'length', 0.1, 200);
const AREA = rule('Cross-section of a conductor', 'area', 0.05e-6, 50e-6);
const LOAD = rule('Loudspeaker', 'resistance', 1, 64);
const POWER = rule('Power', 'power', 0.1, 5000);
const GAUGES = [8, 10, 12, 13, 14, 16, 18, 20, 22, 24];
const MOST_LOSS_DB = 0.5;

/** Whether a cable between amplifier and loudspeaker is thick and short enough. */
export function SpeakerPage() {
  const [kind, setKind] = useState<'speaker' | 'instrument'>('speaker');
  const [cable, setCable] = useState(USUAL);
  useEffect(() => {
    document.title = 'Speaker cable · Gullwind';
  }, []);
  return (
    <Box component="main" sx={{ p: 3, maxWidth: 1000 }}>
      <Typography variant="h1">Speaker cable</Typography>
      <Typography sx={{ color: 'text.secondary', mb: 2, maxWidth: 720 }}>
        Between amplifier and loudspeaker resistance rules, not capacitance: short and thick.
      </Typography>
      <Box sx={TWO_COLUMNS}>
        <Box component="section" aria-label="The cable">
          <ChoiceField label="The cable is" value={kind} options={KINDS} onChange={setKind} />
          <CableAndLoad cable={cable} onChange={(to) => setCable({ ...cable, ...to })} />
          <Caution />
        </Box>
        <Box component="section" aria-label="What it does">
          {kind === 'instrument' ? (
            <Alert severity="error" data-testid="refused">
              {INSTRUMENT_CABLE_REFUSED}
            </Alert>
          ) : (
            <Found cable={cable} />
          )}
          <Typography variant="body2" sx={{ mt: 2, color: 'text.secondary' }}>
            The other way about, a speaker cable from guitar to pedal does no harm: it is not
            shielded, and hums.
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}

const KINDS = [
  ['speaker', 'made for loudspeakers'],
  ['instrument', 'an instrument cable'],
] as const;

const TWO_COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { md: '320px minmax(0, 1fr)' },
  columnGap: 5,
  rowGap: 2,
} as const;

type SpeakerCable = Readonly<Record<'lengthM' | 'areaM2' | 'loadOhm' | 'powerW', Sourced>>;

const USUAL: SpeakerCable = {
  lengthM: entered(10),
  areaM2: entered(2.5e-6),
  loadOhm: entered(8),
  powerW: entered(100),
};

interface CableProps {
  readonly cable: SpeakerCable;
  readonly onChange: (to: Partial<SpeakerCable>) => void;
}

function CableAndLoad({ cable, onChange }: CableProps) {
  const [{ units }] = useSettings();
  const { lengthM, areaM2, loadOhm, powerW } = cable;
  const gauge = gaugeOfArea(areaM2.value);
  const shared = { units, assumedFrom: 'a speaker cable' } as const;
  const set = (field: keyof SpeakerCable) => (to: Sourced) => onChange({ [field]: to });
  return (
    <>
      <QuantityField {...shared} rule={LENGTH} value={lengthM} onChange={set('lengthM')} />
      <QuantityField
        {...shared}
        rule={AREA}
        label="Each conductor"
        value={areaM2}
        onChange={set('areaM2')}
      />
      <ChoiceField
        label="or by gauge"
        value={GAUGES.includes(gauge) ? String(gauge) : ''}
        options={[['', 'between'], ...GAUGES.map((one) => [String(one), `${one} AWG`] as const)]}
        onChange={(one) => one !== '' && onChange({ areaM2: entered(areaOfGauge(Number(one))) })}
      />
      <QuantityField {...shared} rule={LOAD} value={loadOhm} onChange={set('loadOhm')} />
      <QuantityField
        {...shared}
        rule={POWER}
        label="Power of the amp"
        value={powerW}
        onChange={set('powerW')}
      />
    </>
  );
}

const Caution = () => (
  <Typography variant="caption" sx={{ display: 'block', mt: 2, color: 'text.secondary' }}>
    Switch the amplifier off before anything is plugged in or out. A tube amplifier must never run
    without its loudspeaker. Never open one: lethal voltages remain when it is unplugged; that is
    work for a qualified technician.
  </Typography>
);

function Found({ cable }: Pick<CableProps, 'cable'>) {
  const [{ units }] = useSettings();
  const isMetric = units === 'metric';
  const { resistanceOhm, lossDb, heatW, heatWPerM, damping, currentA } = checkSpeakerCable({
    lengthM: cable.lengthM.value,
    areaM2: cable.areaM2.value,
    loadOhm: cable.loadOhm.value,
    powerW: cable.powerW.value,
  });
  const isFine = -lossDb <= MOST_LOSS_DB;
  return (
    <>
      <Typography sx={{ fontSize: 17, mb: 1 }} data-testid="said">
        {isFine
          ? 'Thick enough: what it takes is unlikely to be heard.'
          : 'Too thin for its length: shorter, or thicker.'}
      </Typography>
      <Box
        component="dl"
        sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto 1fr', maxWidth: 380 }}
      >
        <Figure name="Loss" value={`${formatSignedDb(lossDb, 2)} dB`} large />
        <Figure
          name="Resistance, there and back"
          value={formatQuantity(resistanceOhm, 'resistance', 'metric')}
        />
        <Figure name="Damping it leaves, at most" value={formatNumber(damping, 0)} />
        <Figure
          name={isMetric ? 'Heat in a metre' : 'Heat in a foot'}
          value={formatQuantity(heatWPerM * (isMetric ? 1 : METRES_PER_FOOT), 'power', 'metric')}
        />
        <Figure name="Heat in all of it" value={formatQuantity(heatW, 'power', 'metric')} />
        <Figure name="Current" value={formatQuantity(currentA, 'current', 'metric')} />
      </Box>
    </>
  );
}
