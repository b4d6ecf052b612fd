// What scrolls can be reached by keyboard too, when nothing inside it takes the focus.

const reached = 'a[href], button:not(:disabled), input:not(:disabled, [type=hidden]), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]';

function reach() {
    for (const part of document.querySelectorAll('aside, table, .leaf, .scrolls, .board-wrap')) {
        const style = getComputedStyle(part);
        const scrolls = (part.scrollWidth > part.clientWidth + 1 && /auto|scroll/.test(style.overflowX))
            || (part.scrollHeight > part.clientHeight + 1 && /auto|scroll/.test(style.overflowY));
        if (scrolls && !part.querySelector(reached)) {
            part.tabIndex = 0;
            part.dataset.scrolled = '';
        } else if ('scrolled' in part.dataset) {
            part.removeAttribute('tabindex');
            delete part.dataset.scrolled;
        }
    }
}

new ResizeObserver(reach).observe(document.documentElement);
document.addEventListener('htmx:afterSettle', reach);
