// What is drawn on a page, and where a pointer is on it, in the page's own units.

const NS = 'http://www.w3.org/2000/svg';

export function element(name, attributes) {
    const made = document.createElementNS(NS, name);
    for (const [attribute, value] of Object.entries(attributes)) made.setAttribute(attribute, value);
    return made;
}

export function at(svg, event) {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
    return [point.x, point.y];
}
