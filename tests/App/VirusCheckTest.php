<?php

declare(strict_types=1);

use Illuminate\Http\UploadedFile;
use Tests\Support\Clamd;
use Tests\Support\MadePdf;
use Unanimus\Intake\ClamdCheck;
use Unanimus\Intake\HarmUnknown;
use Unanimus\Pages\Scratch;

function bringsIn(string $name, string $bytes): string
{
    $test = test();
    $file = $test->aFile();
    $test->as('tomas')->post(
        "/files/{$file->key}/papers",
        ['pdf' => UploadedFile::fake()->createWithContent($name, $bytes), 'key' => 'virus-'.md5($name)],
        ['Accept' => 'application/json'],
    );
    $test->seeAll();
    $upload = App\Models\Upload::query()->where('name', $name)->sole();

    return "{$upload->state}: {$upload->told}";
}

it('takes what clamd finds nothing in, and refuses the harmless test file, also inside a PDF', function () {
    $clamd = new Clamd();
    config(['unanimus.intake.virus_check' => $clamd->address]);
    expect(bringsIn('Survey.pdf', MadePdf::page(MadePdf::text(72, 700, 'A survey of the lot'))))->toStartWith('done: ');
    $harm = MadePdf::page(MadePdf::text(72, 700, 'A survey'))."\n%".implode('', Clamd::TEST_FILE)."\n";
    expect(bringsIn('Harm.pdf', $harm))->toStartWith('refused: ')->toContain('harmful code')->toContain('Harmless.Test');
    expect(bringsIn('eicar.com', implode('', Clamd::TEST_FILE)))->toContain('harmful code');
    $clamd->stop();
    // While it is away nothing is taken unseen.
    expect(bringsIn('Later.pdf', MadePdf::page(MadePdf::text(72, 700, 'Later'))))->toStartWith('refused: ')->toContain('does not answer');
    config(['unanimus.intake.virus_check' => null]);
    expect(bringsIn('Off.pdf', MadePdf::page(MadePdf::text(72, 700, 'Off'))))->toStartWith('done: ');
});

it('sends a file in parts, and does not take a broken answer for a clean file', function () {
    $clamd = new Clamd();
    $scratch = new Scratch();
    $check = new ClamdCheck($clamd->address);
    // In the middle of a megabyte, over the border of two parts.
    $bytes = str_repeat('a', 262_144 - 30).implode('', Clamd::TEST_FILE).str_repeat('b', 700_000);
    expect($check->look($scratch->put('long', $bytes)))->toBe('Harmless.Test.UNOFFICIAL')
        ->and($check->look($scratch->put('clean', str_repeat('a', 900_000))))->toBeNull();
    $clamd->stop();
    expect(fn () => $check->look($scratch->put('clean', 'a')))->toThrow(HarmUnknown::class);
});
