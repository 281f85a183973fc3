/** Takes a picture out of the page: as SVG with its styles in it, as PNG, or its figures as CSV. */
const STYLES = [
    'fill',
    'stroke',
    'stroke-width',
    'stroke-dasharray',
    'stroke-linecap',
    'opacity',
    'fill-opacity',
    'font-size',
    'font-weight',
    'font-family',
    'text-anchor',
];

/** @param remark what whoever sees the picture elsewhere must know of it; written below */
export function svgText(svg: SVGSVGElement, remark = ''): string {
    const copy = svg.cloneNode(true) as SVGSVGElement;
    const from = [svg, ...svg.querySelectorAll<SVGElement>('*')];
    const to = [copy, ...copy.querySelectorAll<SVGElement>('*')];
    from.forEach((element, i) => {
        const style = getComputedStyle(element);
        for (const name of STYLES) to[i]!.style.setProperty(name, style.getPropertyValue(name));
    });
    const { width, height } = svg.viewBox.baseVal;
    copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
    const below = remark ? 20 : 0;
    copy.setAttribute('width', String(width));
    copy.setAttribute('height', String(height + below));
    if (remark) {
        const { x, y } = svg.viewBox.baseVal;
        copy.setAttribute('viewBox', `${x} ${y} ${width} ${height + below}`);
        const text = document.createElementNS('http://www.w3.org/2000/svg', 'text');
        text.setAttribute('x', String(x + 4));
        text.setAttribute('y', String(y + height + 14));
        const { fontFamily, color } = getComputedStyle(document.body);
        // One by one: an attribute of styles is what the Content-Security-Policy holds back.
        for (const [name, value] of Object.entries({ 'font-size': '11px', 'font-weight': '600', 'font-family': fontFamily, fill: color }))
            text.style.setProperty(name, value);
        text.textContent = remark;
        copy.append(text);
    }
    copy.style.background = getComputedStyle(document.body).backgroundColor;
    return new XMLSerializer().serializeToString(copy);
}

export function save(blob: Blob, name: string): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 2000);
}

export async function png(svg: SVGSVGElement, remark = ''): Promise<Blob> {
    const url = URL.createObjectURL(new Blob([svgText(svg, remark)], { type: 'image/svg+xml' }));
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = image.width * 2;
    canvas.height = image.height * 2;
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = getComputedStyle(document.body).backgroundColor;
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.drawImage(image, 0, 0, canvas.width, canvas.height);
    URL.revokeObjectURL(url);
    return new Promise((done, fail) =>
        canvas.toBlob((b) => (b ? done(b) : fail(new Error('The picture could not be drawn.'))), 'image/png'),
    );
}

/** Cells as CSV; one that a spreadsheet would take for a formula is kept as text. */
export function csv(head: string[], rows: (string | number)[][]): string {
    const cell = (v: string | number) => {
        const text = typeof v === 'string' && /^[=+@\t-]/.test(v) && !/^[-+]?[\d.]+$/.test(v) ? `'${v}` : String(v);
        return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
    };
    return [head, ...rows].map((r) => r.map(cell).join(',')).join('\r\n') + '\r\n';
}
