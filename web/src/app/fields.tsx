import {
  Box,
  FormHelperText,
  MenuItem,
  TextField,
  ToggleButton,
  ToggleButtonGroup,
  Typography,
} from '@mui/material';
import { useId, type HTMLInputTypeAttribute, type ReactNode } from 'react';
import { Controller, type Control, type FieldPath, type FieldValues } from 'react-hook-form';

interface EntryProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  /** The unit stands behind what is typed. */
  unit?: string;
  hint?: ReactNode;
  type?: HTMLInputTypeAttribute;
  isNumber?: boolean;
  isLong?: boolean;
  required?: boolean;
  min?: string;
  autoComplete?: string;
  autoFocus?: boolean;
  disabled?: boolean;
  onLeave?: (value: string) => void;
  /** What stands in it while nothing was typed. */
  fallback?: string;
}

/** One entry that is typed; what is wrong with it stands right below. */
export function Entry<T extends FieldValues>(props: EntryProps<T>) {
  return (
    <Controller
      control={props.control}
      name={props.name}
      render={({ field, fieldState }) => (
        <TextField
          {...field}
          value={field.value ?? props.fallback ?? ''}
          onBlur={() => {
            field.onBlur();
            props.onLeave?.(field.value ?? '');
          }}
          inputRef={field.ref}
          label={props.label}
          type={props.type}
          required={props.required}
          multiline={props.isLong}
          minRows={props.isLong ? 2 : undefined}
          error={fieldState.error !== undefined}
          helperText={fieldState.error?.message ?? props.hint}
          autoComplete={props.autoComplete ?? 'off'}
          autoFocus={props.autoFocus}
          disabled={props.disabled}
          slotProps={{
            htmlInput: { inputMode: props.isNumber ? 'decimal' : undefined, min: props.min },
            inputLabel: props.type === 'date' || props.type === 'time' ? { shrink: true } : undefined,
            input: props.unit ? { endAdornment: <Unit>{props.unit}</Unit> } : undefined,
          }}
        />
      )}
    />
  );
}

interface SelectProps<T extends FieldValues> {
  control: Control<T>;
  name: FieldPath<T>;
  label: string;
  options: { value: string; label: ReactNode }[];
  hint?: ReactNode;
  disabled?: boolean;
  /** Told what was picked, after the entry holds it. */
  onPick?: (value: string) => void;
  /** What is shown while the entry holds none of the options. */
  fallback?: string;
}

/** One of many, from a list. */
export function SelectEntry<T extends FieldValues>({
  control,
  name,
  label,
  options,
  ...rest
}: SelectProps<T>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          {...field}
          onChange={(event) => {
            field.onChange(event);
            rest.onPick?.(event.target.value);
          }}
          inputRef={field.ref}
          select
          label={label}
          disabled={rest.disabled}
          value={options.some((o) => o.value === field.value) ? field.value : (rest.fallback ?? '')}
          error={fieldState.error !== undefined}
          helperText={fieldState.error?.message ?? rest.hint}
        >
          {options.map((option) => (
            <MenuItem key={option.value} value={option.value} sx={{ '&&': { minHeight: 48 } }}>
              {option.label}
            </MenuItem>
          ))}
        </TextField>
      )}
    />
  );
}

function Unit({ children }: { children: ReactNode }) {
  return (
    <Typography component="span" color="text.secondary" sx={{ pl: 1, pt: 2, whiteSpace: 'nowrap' }}>
      {children}
    </Typography>
  );
}

interface ChoiceProps<V extends string> {
  label: string;
  options: { value: V; label: ReactNode }[];
  value: V | V[] | null | undefined;
  onChange: (value: V | V[] | null) => void;
  isMany?: boolean;
  /** One of them always holds: pressing the one that holds changes nothing. */
  isFixed?: boolean;
  error?: string;
  hint?: string;
  required?: boolean;
}

/** A choice of few: one tap each, large enough for a glove. */
export function Choice<V extends string>({
  label,
  options,
  value,
  onChange,
  isMany,
  isFixed,
  error,
  hint,
  required,
}: ChoiceProps<V>) {
  const id = useId();
  return (
    <Box role="group" aria-labelledby={id}>
      <Typography
        id={id}
        component="div"
        sx={{ fontWeight: 600, mb: 0.5 }}
        color={error ? 'error' : undefined}
      >
        {label}
        {required && <span aria-hidden> *</span>}
      </Typography>
      <ToggleButtonGroup
        exclusive={!isMany}
        value={value ?? (isMany ? [] : null)}
        onChange={(_, next) => (isFixed && next === null ? undefined : onChange(next))}
        sx={{
          flexWrap: 'wrap',
          gap: 1,
          '& .MuiToggleButton-root': {
            borderRadius: '4px !important',
            border: '1px solid',
            borderColor: 'line',
            ml: '0 !important',
            px: 2,
          },
        }}
      >
        {options.map((option) => (
          <ToggleButton key={option.value} value={option.value}>
            {option.label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {(error ?? hint) && <FormHelperText error={error !== undefined}>{error ?? hint}</FormHelperText>}
    </Box>
  );
}

type ChoiceEntryProps<T extends FieldValues, V extends string> = Omit<
  ChoiceProps<V>,
  'value' | 'onChange' | 'error'
> & {
  control: Control<T>;
  name: FieldPath<T>;
  /** Told what was picked, after the entry holds it. */
  onPick?: (value: V | V[] | null) => void;
};

/** A choice that belongs to a form. */
export function ChoiceEntry<T extends FieldValues, V extends string>({
  control,
  name,
  onPick,
  ...rest
}: ChoiceEntryProps<T, V>) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <Choice<V>
          {...rest}
          value={field.value}
          onChange={(next) => {
            field.onChange(next);
            onPick?.(next);
          }}
          error={fieldState.error?.message}
        />
      )}
    />
  );
}

/** A number as people type it, with a point or a comma. Empty is undefined, anything else that is no number is NaN. */
export function readNumber(typed: string | undefined): number | undefined {
  const text = (typed ?? '').trim().replace(',', '.');
  if (text === '') {
    return undefined;
  }
  return /^-?\d+(\.\d+)?$/.test(text) ? Number(text) : NaN;
}
