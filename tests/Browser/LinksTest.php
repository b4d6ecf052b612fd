<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;

/** Follows every link from where it stands, two files and one page of each other kind; what refuses, and where it was offered. */
const CRAWL = <<<'JS'
    const [most, done] = arguments;
    (async () => {
        const from = { '/': '' }, kinds = {}, refused = [], next = ['/'];
        const kind = (path) => path.replace(/[0-9A-HJKMNP-TV-Z]{26}/g, '*').replace(/=[^&]*/g, '=');
        let read = 0;
        while (next.length && read < most) {
            const path = next.shift();
            kinds[kind(path)] = (kinds[kind(path)] || 0) + 1;
            if (kinds[kind(path)] > (kind(path) === '/files/*' ? 2 : 1)) continue;
            read++;
            const answer = await fetch(path, { redirect: 'follow' });
            if (answer.status >= 400) refused.push(`${answer.status} ${path} on ${from[path]}`);
            if (!(answer.headers.get('content-type') || '').includes('text/html')) continue;
            const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
            for (const link of page.querySelectorAll('a[href]')) {
                const to = new URL(link.getAttribute('href'), location.origin + path);
                const where = to.pathname + to.search;
                if (to.origin !== location.origin || where in from || /\.\w{3,5}$|download|zip|print|backup/.test(where)) continue;
                from[where] = path;
                next.push(where);
            }
        }
        done({ read, refused });
    })().catch((error) => done({ read: 0, refused: [String(error)] }));
JS;

it('offers nobody a link that refuses them', function (string $who) {
    /** @var BrowserCase $this */
    $this->signIn($who)->visit('/')->waitFor('header.bar');
    $this->browser->manage()->timeouts()->setScriptTimeout(240);
    $found = $this->browser->executeAsyncScript(CRAWL, [110]);
    expect($found['refused'])->toBe([])->and($found['read'])->toBeGreaterThan(40);
})->with(['tomas', 'wendell', 'marguerite', 'fenna', 'ines']);
