/** The shapes of the severities, two tie points apart or joined, in a box of 24 by 16: no severity is told by colour alone. */
import type { Severity } from '../check/result.ts';

/** @param paper the colour that stands in for what lies below @returns elements of SVG in "currentColor" */
export function markShape(severity: Severity, paper: string): string {
  switch (severity) {
    case 'danger':
      return `<path d="M12 0.5 20 8l-8 7.5L4 8z" fill="currentColor"/><path d="M12 4v4.4M12 10.2v1.6" stroke="${paper}" stroke-width="2"/>`;
    case 'fault':
      return '<circle cx="4" cy="8" r="3.2" fill="currentColor"/><circle cx="20" cy="8" r="3.2" fill="currentColor"/><path d="M9.5 13 14.5 3" stroke="currentColor" stroke-width="2.2"/>';
    case 'caution':
      return '<circle cx="5" cy="8" r="3.2" fill="currentColor"/><circle cx="19" cy="8" r="2.6" fill="none" stroke="currentColor" stroke-width="1.6"/><path d="M9 8h6" stroke="currentColor" stroke-width="2" stroke-dasharray="2 2"/>';
    case 'note':
      return '<circle cx="12" cy="8" r="4.4" fill="none" stroke="currentColor" stroke-width="1.8"/><circle cx="12" cy="8" r="1.3" fill="currentColor"/>';
  }
}
