<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\Hand;
use Tests\Support\PostRoom;

it('takes the other side’s agent from their email to a round that is out, without an account', function () {
    /** @var BrowserCase $this */
    $link = (new PostRoom())->link('lucian@harborstone.example', 'for your clients');
    $own = $this->browser;
    $this->browser = $this->newBrowser(390, 844);
    $this->visit($link)->seeText('Chimney repair letter');
    expect($this->clientAxe())->toBe([]);
    $this->visit($link.'/papers/'.one('SELECT key FROM working_copy_papers ORDER BY id LIMIT 1'))->seeText('Download the PDF');
    expect($this->clientAxe())->toBe([]);
    $this->shape($this->browser, 1280, 800);
    $this->visit($link)->waitFor('[name="clients[0][email]"]');
    $hand = new Hand($this);
    // Their client's name stands on the papers: only how to reach them is asked.
    $hand->type('[name="clients[0][email]"]', 'beatrix@palomar.example')->click('Choose where they sign');
    $this->waitFor('#compose-desk');
    expect($this->axe())->toBe([]);
    $this->waitFor('#faults [data-keep]');
    // What is wrong is told anew as the desk is laid out; the button is looked for where it stands then.
    $this->eventually(
        fn () => $this->browser->executeScript(
            "const keep = document.querySelector('#faults [data-keep]'); keep?.scrollIntoView({ block: 'center' });
                const bar = document.querySelector('.send-acts').getBoundingClientRect();
                return keep !== null && keep.getBoundingClientRect().bottom < bar.top;",
        ) ?: null,
        'the button to keep all can be pressed',
    );
    $hand->click('Keep all', '#faults');
    $this->eventually(fn () => $this->all('#faults [data-keep]') === [] ?: null, 'the proposed places stand');
    $this->eventually(fn () => $this->all('.thumbs .unlooked') === [] ?: null, 'the page was looked at');
    $hand->click('Send', '.send-acts');
    $this->seeText('Out for signature');
    expect($hand->actions)
        ->toBeLessThanOrEqual(4)
        ->and((new PostRoom())->link('beatrix@palomar.example', 'sign'))
        ->toContain('/sign/');
    // What else there is leads back to their own page.
    $this->visit('/files')->seeText('Documents to have signed')->seeText('Out for signature');
    $this->browser->quit();
    $this->browser = $own;
});
