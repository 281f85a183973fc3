import { contours } from 'd3-contour';
import type { Field } from '../api/generated/types';

export interface ContourLine {
    value: number;
    d: string;
    label: [number, number] | undefined;
}

/**
 * Lines of equal carry over a launch–spin field, as SVG paths, each with the place of its label where it leaves the picture at the top or the right.
 *
 * @param frame right and top edge of the picture, px
 */
export function contourLines(
    field: Field,
    perMetre: number,
    x: (launchDeg: number) => number,
    y: (spinRpm: number) => number,
    frame: { right: number; top: number },
    step = 5,
): ContourLine[] {
    const n = field.launchDeg.length;
    const m = field.spinRpm.length;
    const values = field.carryM.map((v) => v * perMetre);
    const most = Math.max(...values);
    const least = Math.min(...values);
    const levels = Array.from({ length: 9 }, (_, i) => Math.floor(most / step) * step - i * step).filter((v) => v > least);
    const used: [number, number][] = [];
    // Grid cells to launch and spin; pieces along the frame are not part of the line.
    const onFrame = ([i, j]: [number, number]) => i === 0 || j === 0 || i === n - 1 || j === m - 1;
    const place = ([i, j]: [number, number]): [number, number] => [
        x(field.launchDeg[0]! + (i / (n - 1)) * (field.launchDeg.at(-1)! - field.launchDeg[0]!)),
        y(field.spinRpm[0]! + (j / (m - 1)) * (field.spinRpm.at(-1)! - field.spinRpm[0]!)),
    ];
    return contours()
        .size([n, m])
        .thresholds(levels)(values)
        .map((c) => {
            let d = '';
            const ends: [number, number][] = [];
            for (const ring of c.coordinates.flat(1)) {
                const cells = ring.map(
                    ([i, j]) => [Math.min(n - 1, Math.max(0, i! - 0.5)), Math.min(m - 1, Math.max(0, j! - 0.5))] as [number, number],
                );
                cells.forEach((p, q) => {
                    const before = cells[q - 1];
                    const [px, py] = place(p);
                    d += `${!before || (onFrame(p) && onFrame(before)) ? 'M' : 'L'}${px.toFixed(1)} ${py.toFixed(1)}`;
                    // Where the line leaves the picture: on the frame, with a neighbour that is not.
                    if (before && onFrame(p) !== onFrame(before)) ends.push(place(onFrame(p) ? p : before));
                });
            }
            // The label stands where the line leaves, unless another one stands there.
            const label = ends
                .filter(([px, py]) => py < frame.top + 2 || px > frame.right - 2)
                .find(([px, py]) => used.every(([ux, uy]) => Math.abs(ux - px) > 26 || Math.abs(uy - py) > 13));
            if (label) used.push(label);
            return { value: c.value, d, label };
        });
}
