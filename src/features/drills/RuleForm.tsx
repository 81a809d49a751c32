'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { FAMILIES, familyNamed } from '@/core/drill/registry';
import type { Problem } from '@/core/result';
import { opening } from '@/ui/words/text';
import { GroovePick, type Pickable } from './GroovePick';
import { GroundFields } from './GroundFields';
import { ParameterFields } from './ParameterFields';
import { parametersOf, takesGroove } from './parameters';
import { PlayFields } from './PlayFields';
import type { RuleInWork } from './useRule';

interface RuleFormProps {
  work: RuleInWork;
  grooves: readonly Pickable[];
  /** Why the rule makes nothing, and why what it makes cannot be played. */
  problems: readonly Problem[];
  unplayable: readonly Problem[];
}

/** What is wished: what to train, its parameters, what goes on under it, and how it is played. */
export function RuleForm({ work, grooves, problems, unplayable }: RuleFormProps) {
  const { rule, figure, change } = work;
  const family = familyNamed(rule.family)!;
  return (
    <Box
      component="form"
      aria-label="Rule"
      onSubmit={(event) => event.preventDefault()}
      sx={{
        display: 'grid',
        gap: 2,
        position: { md: 'sticky' },
        top: 0,
        py: 1,
        pr: { md: 1 },
        maxHeight: { md: '100dvh' },
        overflowY: { md: 'auto' },
      }}
    >
      <TextField
        select
        fullWidth
        label="What to train"
        value={rule.family}
        onChange={({ target }) => work.changeFamily(target.value)}
      >
        {FAMILIES.map(({ name: each, wish }) => (
          <MenuItem key={each} value={each}>
            {opening(wish)}
          </MenuItem>
        ))}
      </TextField>
      {takesGroove(family) && grooves.length > 0 && (
        <GroovePick
          label="Made of"
          grooves={grooves}
          title={figure?.title}
          none="a plain figure"
          problem={problems.filter(({ path }) => path[1] === 'figure').map((one) => `${one.say} ${one.remedy}`)[0]}
          onPick={work.makeOf}
        />
      )}
      <ParameterFields
        parameters={parametersOf(family)}
        values={rule.params}
        problems={problems}
        onChange={(params) => change({ params })}
      />
      <Typography variant="h3" component="h2" sx={{ mt: 0.5 }}>
        Over
      </Typography>
      <GroundFields rule={rule} grooves={grooves} problems={problems} onChange={change} />
      <PlayFields rule={rule} problems={[...problems, ...unplayable]} onChange={change} />
    </Box>
  );
}
