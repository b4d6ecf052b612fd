// Pages are fetched as one comes near them, so that the first of nine hundred is there at once. A page whose picture takes
// longer comes with the answer "later": it is asked for again until it is there.

const AGAIN = 5000;

function later(image) {
    const entries = performance.getEntriesByName(image.href.baseVal ? new URL(image.href.baseVal, location.href).href : '');
    return entries.at(-1)?.responseStatus === 503;
}

function show(image, times = 0) {
    const href = image.dataset.href || image.getAttribute('href');
    delete image.dataset.href;
    if (times > 0) image.dataset.again = String(times);
    image.setAttribute('href', times === 0 ? href : `${href.replace(/[?&]again=\d+$/, '')}${href.includes('?') ? '&' : '?'}again=${times}`);
}

function watch(image) {
    const settle = () => later(image) && setTimeout(() => show(image, Number(image.dataset.again || 0) + 1), AGAIN);
    image.addEventListener('load', settle);
    image.addEventListener('error', () => setTimeout(() => show(image, Number(image.dataset.again || 0) + 1), AGAIN));
}

const near = new IntersectionObserver((entries) => {
    for (const { isIntersecting, target } of entries) {
        if (!isIntersecting) continue;
        near.unobserve(target);
        show(target.querySelector('image[data-href]') ?? target);
    }
}, { rootMargin: '1200px 0px' });

export function lookAfter(root = document) {
    for (const image of root.querySelectorAll('svg image')) {
        watch(image);
        // The sheet is looked for, not its picture: that has no extent before it is there.
        if (image.dataset.href) near.observe(image.closest('svg'));
    }
    // What was there before this script ran may have been told to wait.
    setTimeout(() => root.querySelectorAll('svg image[href]').forEach((image) => later(image) && show(image, 1)), AGAIN);
}
lookAfter();
window.addEventListener('beforeprint', () => document.querySelectorAll('svg image[data-href]').forEach((image) => show(image)));
