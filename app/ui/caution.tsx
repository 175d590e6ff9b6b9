// The cautions, each with the same words wherever its hazard is met. They never replace local rules.
const CAUTIONS = {
  flashing: {
    head: "Flashing may leave a radio unusable.",
    text: "It may also void its warranty. Keep it powered, half charged at least, and do not unplug. Where the maker says otherwise, the maker decides.",
  },
  community: {
    head: "Community firmware is not the maker's.",
    text: "It goes on at the club's own risk, and the radio's type approval may no longer hold. Your local rules decide.",
  },
  unlocking: {
    head: "Receiving more is not permission to transmit more.",
    text: "Transmit only where your licence or the service's rules allow it. Some hold that an unlocked radio is preparedness, others that it is an accident in waiting: the club chooses, and local rules decide.",
  },
  measuring: {
    head: "A hobby meter is an indication, not a certificate.",
    text: "What it says holds within what it may be off by, and no further. Where limits matter, your licence and the regulator decide what counts as proof.",
  },
  batteries: {
    head: "Charge where somebody is, with the right charger.",
    text: "A pack that is swollen, wet or damaged is retired, not charged once more. Its maker's advice, and your local rules for getting rid of it, decide.",
  },
  driving: {
    head: "Set it up while parked.",
    text: "Hands-free laws differ, and some forbid holding a microphone. Local rules decide what may be used while driving.",
  },
  "keying-up": {
    head: "Key up into a dummy load.",
    text: "One rated for the power, for a short time, and identify where that is required. Your licence decides.",
  },
} as const;

export type Hazard = keyof typeof CAUTIONS;

export function Caution({ of }: { readonly of: Hazard }) {
  const { head, text } = CAUTIONS[of];
  return (
    <details className="text-sm text-quiet">
      <summary className="cursor-pointer">{head}</summary>
      <p className="mt-1">{text}</p>
    </details>
  );
}
