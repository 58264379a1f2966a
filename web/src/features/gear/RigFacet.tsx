import { mainRow, usesOfGear } from '@gullwind/core';
import { Box, Typography } from '@mui/material';
import { useNavigate } from 'react-router';
import { useGetRigQuery, useListNamesQuery } from '../../app/api';
import { useSettings } from '../../app/useSettings';
import { Assumptions } from '../assumptions';
import { ChoiceField } from '../../ui/parts/ChoiceField';

interface Props {
  readonly rigId: string;
  readonly onChange: (rigId: string) => void;
  readonly onSelect: (gearId: string) => void;
}

/** The gear of one rig, and the assumed values that its sound rests on most. */
export function RigFacet({ rigId, onChange, onSelect }: Props) {
  const { data: rigs = [] } = useListNamesQuery();
  return (
    <Box sx={{ mt: 2 }}>
      <ChoiceField
        label="In"
        value={rigId}
        options={[['', 'any rig or none'], ...rigs.map(({ id, name }) => [id, name] as const)]}
        onChange={onChange}
      />
      {rigId !== '' && <OfRig rigId={rigId} onSelect={onSelect} />}
    </Box>
  );
}

function OfRig({ rigId, onSelect }: Pick<Props, 'rigId' | 'onSelect'>) {
  const { data } = useGetRigQuery(rigId);
  const [{ units }] = useSettings();
  const navigate = useNavigate();
  if (!data) return null;
  const { rig } = data;
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h2" sx={{ fontSize: 14 }}>
        Assumed values that matter most
      </Typography>
      <Assumptions
        rig={rig}
        rowId={mainRow(rig).id}
        units={units}
        onSelect={(kind, id) => {
          const use = usesOfGear(rig).find((one) => one.kind === kind && one.id === id);
          if (use) onSelect(use.gear);
          else void navigate(`/rigs/${rigId}/path?at=${id}`);
        }}
      />
    </Box>
  );
}
