/** Colours that are remembered of one project. */
const MOST = 1000;

const nameOf = (project: string): string => `azzel-legend-${project}`;

/** The tile that each colour meant last in a project, in this browser. */
export function recallLegend(project: string): Map<string, number> {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(nameOf(project)) ?? '[]');
    if (!Array.isArray(kept)) return new Map();
    return new Map(kept.filter((e): e is [string, number] => Array.isArray(e) && Number.isInteger(e[1])));
  } catch {
    return new Map();
  }
}

/** Remembers what colours mean, the latest first. */
export function keepLegend(project: string, legend: [string, number][]): void {
  const known = recallLegend(project);
  for (const [colour] of legend) known.delete(colour);
  try {
    localStorage.setItem(nameOf(project), JSON.stringify([...legend, ...known].slice(0, MOST)));
  } catch {
    // A browser that keeps nothing forgets the legend too.
  }
}
