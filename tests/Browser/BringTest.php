<?php

declare(strict_types=1);

use Facebook\WebDriver\Remote\LocalFileDetector;
use Tests\Support\BrowserCase;
use Unanimus\Pages\Scratch;

it('has a lender send photos of a paper by a link on a phone, and the paper is in the file', function () {
    /** @var BrowserCase $this */
    $file = one("SELECT key FROM deal_files WHERE name LIKE '14 Lanternfish Lane%' ORDER BY id LIMIT 1");
    $this->signIn('tomas')->visit("/files/{$file}/ask-for")->waitFor('form.columns-2');
    $this->find('[name=name]')->sendKeys('Owen Gallagher');
    $this->find('[name=others]')->sendKeys('Flood certificate');
    $this->press('Ask for them');
    $this->seeText('Share the link below with Owen Gallagher.');
    $link = $this->find('.asked-list input')->getAttribute('value');
    $this->signOut();
    $this->shape($this->browser, 390, 844);
    $this->browser->get($link);
    $this->seeText('Flood certificate');
    expect($this->axe())->toBe([]);
    $scratch = new Scratch();
    foreach ([1, 2] as $shot) {
        // A page on a table.
        $picture = imagecreatetruecolor(900, 1200);
        imagefill($picture, 0, 0, 0x46382C);
        imagefilledpolygon($picture, [120, 100, 800, 140, 770, 1090, 90, 1050], 0xE8E6E0);
        imagefilledrectangle($picture, 200, 300 + 40 * $shot, 600, 312 + 40 * $shot, 0x202020);
        imagejpeg($picture, $scratch->path("shot{$shot}.jpg"));
        $camera = $this->find("section[aria-label='Flood certificate'] [data-shot]");
        $camera->setFileDetector(new LocalFileDetector())->sendKeys($scratch->path("shot{$shot}.jpg"));
        $this->seeText($shot === 1 ? '1 photo.' : '2 photos.');
    }
    $this->press('Send these photos');
    $this->seeText('Received: shot1.jpg', 'body', 60);
    $pages = one("SELECT v.pages FROM papers p JOIN paper_versions v ON v.id = p.latest_version_id WHERE p.title = 'Flood certificate'");
    expect((int) $pages)->toBe(2);
    $this->shape($this->browser, 1280, 800);
    $this->signIn('tomas')->visit("/files/{$file}");
    $this->eventually(fn () => str_contains($this->row('Flood certificate'), '2 pages') ?: null, 'the paper is a row of the file');
});
