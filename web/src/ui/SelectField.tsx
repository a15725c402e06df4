import { Check, ChevronDown } from 'lucide-react';
import { Select } from 'radix-ui';
import { Children, Fragment, isValidElement, useId, useState, type ReactElement, type ReactNode } from 'react';
import { Frame, fieldClasses, type Labelled } from './Field';

interface SelectFieldProps extends Labelled {
  readonly value: string | number;
  readonly onChange: (event: { readonly target: { readonly value: string } }) => void;
  readonly disabled?: boolean;
  readonly className?: string;
  readonly name?: string;
  /** `option`s, in `optgroup`s where they are many. */
  readonly children: ReactNode;
}

/** One of a list, by touch, by arrows or by its first letters. */
export function SelectField({
  label,
  labelHidden = false,
  hint,
  error,
  className,
  value,
  onChange,
  disabled,
  children,
}: SelectFieldProps) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const groups = groupsOf(children);
  const chosen = groups.flatMap(({ choices }) => choices).find((each) => each.value === String(value));
  return (
    <Frame id={id} label={label} labelHidden={labelHidden} hint={hint} error={error}>
      <Select.Root
        open={open}
        onOpenChange={setOpen}
        value={MARK + String(value)}
        onValueChange={(picked) => {
          // What stands in for it in a form tells its own emptiness when the list is closed.
          if (picked.startsWith(MARK)) onChange({ target: { value: picked.slice(MARK.length) } });
        }}
        disabled={disabled ?? false}
      >
        <Select.Trigger
          id={id}
          aria-invalid={Boolean(error)}
          aria-describedby={`${id}-note`}
          className={fieldClasses(error, `${SHAPE} ${className ?? ''}`)}
        >
          <span className="truncate min-w-0">
            <Select.Value>{chosen?.shows ?? ''}</Select.Value>
          </span>
          <Select.Icon className="shrink-0">
            <ChevronDown size={18} aria-hidden className="text-soft" />
          </Select.Icon>
        </Select.Trigger>
        {/* A list of a whole book is made only when somebody looks at it. */}
        {open && (
          <Select.Portal>
            <Select.Content position="popper" sideOffset={4} collisionPadding={8} className={LIST}>
              <Select.Viewport className="p-1 max-h-[min(24rem,var(--radix-select-content-available-height))]">
                {groups.map((group, i) => (
                  <Choices key={i} {...group} />
                ))}
              </Select.Viewport>
            </Select.Content>
          </Select.Portal>
        )}
      </Select.Root>
    </Frame>
  );
}

/** A choice may be empty text, which a Radix item may not. */
const MARK = '=';
const SHAPE = 'flex items-center justify-between gap-2 text-left disabled:opacity-60';
const LIST =
  'z-60 min-w-(--radix-select-trigger-width) max-w-[min(32rem,calc(100vw-16px))] rounded-xl border border-line bg-surface text-ink shadow-lg overflow-hidden';

interface Choice {
  readonly value: string;
  readonly shows: ReactNode;
  readonly disabled: boolean;
}
interface ChoiceGroup {
  readonly label: string | null;
  readonly choices: readonly Choice[];
}

const Choices = ({ label, choices }: ChoiceGroup) => (
  <Select.Group>
    {label !== null && <Select.Label className="px-3 pt-2 pb-1 text-sm font-semibold text-soft">{label}</Select.Label>}
    {choices.map(({ value, shows, disabled }) => (
      <Select.Item
        key={value}
        value={MARK + value}
        disabled={disabled}
        className="flex items-center justify-between gap-3 rounded-lg px-3 py-1.5 min-h-12 cursor-pointer outline-none data-highlighted:bg-pond-pale data-[state=checked]:font-semibold data-disabled:text-soft data-disabled:cursor-default"
      >
        <Select.ItemText>{shows}</Select.ItemText>
        <Select.ItemIndicator>
          <Check size={18} aria-hidden className="text-pond shrink-0" />
        </Select.ItemIndicator>
      </Select.Item>
    ))}
  </Select.Group>
);

interface OptionProps {
  readonly value?: string | number;
  readonly label?: string;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
}

const textOf = (children: ReactNode): string =>
  Children.toArray(children)
    .filter((each) => typeof each === 'string' || typeof each === 'number')
    .join('');

/** Choices as they are written in the screens, in HTML's own words and order. */
function groupsOf(children: ReactNode): ChoiceGroup[] {
  const groups: { readonly label: string | null; readonly choices: Choice[] }[] = [];
  const add = (label: string | null, choices: readonly Choice[]) => {
    const last = groups.at(-1);
    if (last !== undefined && last.label === label) last.choices.push(...choices);
    else groups.push({ label, choices: [...choices] });
  };
  Children.forEach(children, (child) => {
    if (!isValidElement(child)) return;
    const { props, type } = child as ReactElement<OptionProps>;
    if (type === Fragment) for (const { label, choices } of groupsOf(props.children)) add(label, choices);
    else if (type === 'optgroup') for (const { choices } of groupsOf(props.children)) add(props.label ?? '', choices);
    else {
      // As in HTML: where no value is given it is the text.
      const value = String(props.value ?? textOf(props.children));
      add(null, [{ value, shows: props.children, disabled: props.disabled ?? false }]);
    }
  });
  return groups;
}
