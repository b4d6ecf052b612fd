<?php

declare(strict_types=1);

use Tests\Support\BrowserCase;
use Tests\Support\Hand;
use Tests\Support\Visitor;

it('moves an office in: invited, tested, opened, and each document where it belongs', function () {
    /** @var BrowserCase $this */
    $this->signIn('ines');
    $hand = new Hand($this);
    $key = one("SELECT key FROM imports WHERE name = 'Saltreach office'");
    $this->visit("/imports/{$key}/papers")->seeText('No row matches this folder.');
    $hand->click('Invite 1');
    $this->eventually(
        fn () => one("SELECT count(*) FROM users WHERE email = 'hedda@quillmark.example'") === 1 ?: null,
        'no one was invited',
    );
    $this->visit("/imports/{$key}");
    $hand->click('Test again');
    $this->seeText('Open 3 files');
    $hand->click('Open 3 files');
    $this->eventually(
        fn () => one("SELECT count(*) FROM moved_papers WHERE outcome = 'taken'") === 5 ?: null,
        'the documents did not come into their files',
    );
    // What nobody could know is said by hand, and goes on from there.
    $this->visit("/imports/{$key}/papers")->seeText('in their files 5');
    $this->find('input[aria-label="Row of Old Quay 2"]')->sendKeys('4');
    $hand->click('Set', 'tr:has(input[aria-label="Row of Old Quay 2"])');
    $this->eventually(
        fn () => one("SELECT count(*) FROM moved_papers WHERE outcome = 'taken'") === 6 ?: null,
        'the last document did not come into its file',
    );
    $this->visit("/imports/{$key}/papers")->seeText('in their files 6');
    expect($hand->actions)->toBeLessThanOrEqual(4)->and($this->axe())->toBe([]);
    // What is streamed goes out after the request's transaction, and says all the same what it should.
    $visitor = new Visitor(BrowserCase::url());
    $visitor->signIn('ines@quillmark.example');
    expect($visitor->get("/imports/{$key}/papers.csv"))->toContain('31 Driftwood Way/scan0012.pdf')->toContain('in the file');
    $file = one("SELECT key FROM deal_files WHERE name LIKE '31 Driftwood%'");
    expect($visitor->post('/files.zip', ['take' => [$file]]))->toContain("{$file}/terms.json")->toContain('manifest-sha256.txt');
    $this->visit("/files/{$file}")->seeText('accepted by Hedda Falkenrath on');
});
