import type { Setting } from "../engine/types";
import { nearestStop } from "./steps";
import type { Units } from "./units";

/** A setting in words, as it is read out and shown while it is dragged: "Pulley, hole 9 of 25, 76 cm". */
export function formatSetting(setting: Setting, units: Units): string {
  return `${setting.label}, ${formatSettingValue(setting, units)}`;
}

export function formatSettingValue(setting: Setting, units: Units): string {
  if (setting.stop && setting.stops?.length) {
    const at = nearestStop(setting.stops, setting.value) + 1;
    return `${setting.stop} ${at} of ${setting.stops.length}, ${units.text(setting.value, setting.kind)}`;
  }
  if (setting.kind !== "hole") return units.text(setting.value, setting.kind);
  const height = setting.at == null ? "" : `, ${units.text(setting.at, "length")}`;
  return `hole ${Math.round(setting.value * 100) / 100} of ${setting.to}${height}`;
}
