// The pages on the review desk: from one to the next by [ and ], to a page by its number (#), another paper beside them, and kept
// sentences put into the remark.

const pages = [...document.querySelectorAll('.review-desk [data-pin-page]')];
const number = document.querySelector('#page-number');
const beside = document.querySelector('#beside-paper');

const at = () => {
    const here = pages.findIndex((page) => page.getBoundingClientRect().bottom > innerHeight * 0.4);
    return here === -1 ? pages.length - 1 : here;
};
const goTo = (index) => pages[Math.max(0, Math.min(pages.length - 1, index))]?.scrollIntoView({ block: 'start' });

if (number && pages.length > 0) {
    number.addEventListener('change', () => goTo(Number(number.value) - 1));
    addEventListener('scroll', () => { if (document.activeElement !== number) number.value = at() + 1; }, { passive: true });
    document.addEventListener('keydown', (event) => {
        if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || document.body.dataset.keys === 'off') return;
        if (event.target.closest?.('input, textarea, select')) return;
        if (event.key === ']') goTo(at() + 1);
        else if (event.key === '[') goTo(at() - 1);
        else if (event.key === '#') { number.focus(); number.select(); } else return;
        event.preventDefault();
    });
}

document.querySelector('#beside-of')?.addEventListener('change', (event) => {
    document.querySelector('.review-desk').classList.toggle('is-beside', event.target.value !== '');
    if (event.target.value === '') beside.replaceChildren();
});

const kept = document.querySelector('#kept-sentences');
kept?.addEventListener('change', () => {
    const words = document.querySelector('#send-back [name=remark]');
    words.value = `${words.value.trimEnd()}${words.value.trim() === '' ? '' : ' '}${kept.value}`;
    kept.value = '';
    words.focus();
});
document.querySelector('#keep-sentence')?.addEventListener('submit', (event) => {
    event.target.elements.text.value = document.querySelector('#send-back [name=remark]').value;
});
