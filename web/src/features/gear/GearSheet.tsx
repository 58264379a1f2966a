import { gearOf, type GearItem, type ItemEdit, type UnitSystem } from '@gullwind/core';
import { Box, Button, Typography } from '@mui/material';
import { useCallback, useState, type Ref } from 'react';
import { NameField } from '../../ui/NameField';
import { FieldsOfItem } from './FieldsOfItem';
import { sayClass } from './gearWords';
import { sayOrigins } from './OriginGauge';
import { QualitiesPanel } from './Qualities';
import { UsesPanel } from './UsesPanel';
import type { GearActions } from './useGear';

interface Props {
  readonly ref: Ref<HTMLDivElement>;
  readonly item: GearItem;
  readonly units: UnitSystem;
  readonly actions: GearActions;
  readonly onDuplicate: () => void;
}

/** All that is known of one entry, edited where it is seen. */
export function GearSheet({ ref, item, units, actions, onDuplicate }: Props) {
  const { id } = item;
  const [isChanged, setChanged] = useState(false);
  const edit = useCallback(
    (change: ItemEdit) => {
      actions.edit(id, change);
      if (change.kind === 'set' || change.kind === 'choose' || change.kind === 'replace')
        setChanged(true);
    },
    [actions, id],
  );
  return (
    <Box
      ref={ref}
      component="section"
      aria-label="Selected"
      tabIndex={0}
      sx={{
        // Below list and facets where there is no room beside them.
        gridColumn: { xs: '1 / -1', lg: 'auto' },
        px: 2,
        py: 1.5,
        overflowY: 'auto',
        scrollbarWidth: 'thin',
        borderLeft: 1,
        borderColor: 'divider',
      }}
    >
      <SheetHead item={item} onEdit={edit} onDuplicate={onDuplicate} />
      <FieldsOfItem item={item} units={units} onEdit={edit} />
      <QualitiesPanel item={item} onEdit={edit} />
      <UsesPanel key={id} item={item} isChanged={isChanged} />
    </Box>
  );
}

interface HeadProps extends Pick<Props, 'item' | 'onDuplicate'> {
  readonly onEdit: (edit: ItemEdit) => void;
}

/** What it is called, what it is, and what can be done with all of it. */
function SheetHead({ item, onEdit, onDuplicate }: HeadProps) {
  return (
    <>
      <NameField
        label="Name of the entry"
        value={item.thing.name}
        onChange={(to) => onEdit({ kind: 'rename', to })}
        sx={{ fontSize: 18, fontWeight: 600, width: '100%', '& input': { py: 0 } }}
      />
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {gearOf(item.kind).one}, {sayClass(item)}
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {sayOrigins(item)}
      </Typography>
      <Box sx={{ display: 'flex', gap: 0.5, my: 0.5 }}>
        <Button size="small" onClick={onDuplicate}>
          Duplicate
        </Button>
        <Button
          size="small"
          aria-pressed={item.retired}
          title="Not offered any more; rigs that have it keep it."
          onClick={() => onEdit({ kind: 'retire', to: !item.retired })}
        >
          {item.retired ? 'Back into use' : 'Retire'}
        </Button>
      </Box>
    </>
  );
}
