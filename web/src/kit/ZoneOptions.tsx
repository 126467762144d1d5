const zones = Intl.supportedValuesOf("timeZone");

/** The time zones that there are, to be chosen from. */
export function ZoneOptions({ current }: { current: string }) {
  return (zones.includes(current) ? zones : [current, ...zones]).map((zone) => (
    <option key={zone}>{zone}</option>
  ));
}
