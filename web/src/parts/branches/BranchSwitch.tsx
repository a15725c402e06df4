import { Check, ChevronDown, Store, Truck } from 'lucide-react';
import { Select } from 'radix-ui';
import { useBranch } from '../../data/useBranch';
import { classes } from '../../ui/classes';

/** At which salon or van one looks, and the way to another; nothing where there is one. */
export function BranchSwitch({ className }: { readonly className?: string }) {
  const branch = useBranch();
  if (!branch) return null;
  const { here, branches, choose } = branch;
  const Icon = here.kind === 'van' ? Truck : Store;
  return (
    <Select.Root value={here.id} onValueChange={choose}>
      <Select.Trigger
        aria-label={`Branch: ${here.name}`}
        className={classes(
          'flex items-center justify-center gap-x-1.5 gap-y-0.5 rounded-xl border border-line bg-surface text-ink font-semibold leading-tight hover:bg-pond-pale',
          className,
        )}
      >
        <Icon size={19} aria-hidden strokeWidth={1.9} className="text-pond shrink-0" />
        <ChevronDown size={16} aria-hidden className="text-soft shrink-0 max-md:order-last" />
        <span className="min-w-0 break-words md:basis-full md:text-center">{here.name}</span>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 min-w-48 rounded-xl border border-line bg-surface p-1 shadow-lg"
        >
          <Select.Viewport>
            {branches.map(({ id, name, kind }) => (
              <Select.Item
                key={id}
                value={id}
                className="flex items-center gap-2.5 rounded-lg px-3 min-h-12 font-semibold outline-none cursor-pointer data-[highlighted]:bg-pond-pale"
              >
                {kind === 'van' ? <Truck size={18} aria-hidden /> : <Store size={18} aria-hidden />}
                <Select.ItemText>{name}</Select.ItemText>
                <Select.ItemIndicator className="ml-auto">
                  <Check size={18} aria-hidden className="text-pond" />
                </Select.ItemIndicator>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
