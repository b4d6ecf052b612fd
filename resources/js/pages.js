// Pages are fetched as one comes near them, so that the first of nine hundred is there at once. A page whose picture takes
// longer is answered with "later" (503): its placeholder shows until it is asked for again. Any other refusal is final.

const AGAIN = 5;

const pause = (seconds) => new Promise((done) => setTimeout(done, seconds * 1000));

async function fetchPage(image) {
    const href = image.dataset.href || image.getAttribute('href');
    delete image.dataset.href;
    for (;;) {
        let answer;
        try {
            // Pictures are cached; one that the browser has already is not asked for twice.
            answer = await fetch(href, { cache: 'force-cache' });
        } catch {
            await pause(AGAIN);
            continue;
        }
        if (answer.status !== 503) break;
        image.setAttribute('href', `data:image/svg+xml,${encodeURIComponent(await answer.text())}`);
        await pause(Number(answer.headers.get('Retry-After')) || AGAIN);
    }
    if (image.getAttribute('href') !== href) image.setAttribute('href', href);
}

const near = new IntersectionObserver((entries) => {
    for (const { isIntersecting, target } of entries) {
        if (!isIntersecting) continue;
        near.unobserve(target);
        fetchPage(target.querySelector('image'));
    }
}, { rootMargin: '1200px 0px' });

// The sheet is looked for, not its picture: that has no extent before it is there.
document.querySelectorAll('svg image[href], svg image[data-href]').forEach((image) => near.observe(image.closest('svg')));
window.addEventListener('beforeprint', () => document.querySelectorAll('svg image[data-href]').forEach(fetchPage));
