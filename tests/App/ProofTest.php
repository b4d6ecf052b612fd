<?php

declare(strict_types=1);

use App\Models\SealedSet;
use App\Storage\Bytes;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\Support\MadePdf;

/** A set that three people signed, as it was sealed. */
function sealedBytes(): string
{
    $test = test();
    $round = $test->aRound($test->aFile());
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $test->signs($round, $seat);
    }
    $test->work();
    $test->seeAll();

    return app(Bytes::class)->read(SealedSet::query()->where('round_id', $round->id)->whereNull('round_paper_id')->sole()->sha256);
}

/** What the page answers to a file, without anyone signed in. */
function proofOf(string $bytes, string $name = 'Signed documents.pdf'): Illuminate\Testing\TestResponse
{
    Auth::forgetGuards();

    return test()->post('/proof', ['pdf' => UploadedFile::fake()->createWithContent($name, $bytes)]);
}

it('tells anyone that a set is whole, since when and by whom it is signed, and keeps nothing of it', function () {
    $bytes = sealedBytes();
    $kept = fn () => [DB::table('blobs')->count(), DB::table('uploads')->count(), count(File::allFiles(storage_path('app')))];
    $before = $kept();
    proofOf($bytes)
        ->assertOk()
        ->assertSee('Whole and unchanged')
        ->assertSee('Signed by Sunniva Eide, José Nguyễn-Ortiz, Tomás Reyes-Whitlock.')
        ->assertSee('Quillmark');
    $this->seeAll();
    expect($kept())->toBe($before);
});

it('tells what is not whole, not ours, not sealed or no PDF', function () {
    $bytes = sealedBytes();
    $flipped = $bytes;
    $at = (int) strpos($bytes, 'endobj') - 3;
    $flipped[$at] = $flipped[$at] === '1' ? '2' : '1';
    proofOf($flipped)->assertOk()->assertSee('Changed, or damaged')->assertDontSee('Sunniva');
    proofOf($bytes."\n%added later\n")->assertOk()->assertDontSee('Whole and unchanged')->assertSee('original');
    proofOf(MadePdf::page(MadePdf::text(72, 700, 'Never signed.', 10)))->assertOk()->assertSee('No seal');
    proofOf('no pdf at all', 'photo.jpg')->assertOk()->assertSee('That is not a PDF we can read.');
    $this->post('/proof')->assertSessionHasErrors(['pdf' => 'Choose a PDF first.']);
});

it('answers only so many files a minute', function () {
    foreach (range(1, 10) as $time) {
        proofOf('no pdf')->assertOk();
    }
    proofOf('no pdf')->assertStatus(429);
});

it('says in the evidence record where anyone has it checked, who signed how many places, and what they agreed to', function () {
    $text = (string) preg_replace('/\s+/', ' ', textOf(sealedBytes()));
    expect($text)
        ->toContain('Anyone can have it checked at '.config('app.url').'/proof')
        ->toMatch('/Agency and representation[^·]*: \d+ places?|: \d+ places?/')
        ->toContain('known by a link sent to sunniva@eide.example')
        ->toContain('Signing here counts the same as signing on paper.');
});

it('says on which device each thing was done, and in which language it was read', function () {
    $round = $this->aRound($this->aFile());
    $this->seeAll();
    $this->signer($round, 'buyer.2')->update(['language' => 'es']);
    $this->withHeader('User-Agent', 'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X)');
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $this->seeAll();
    $sealed = SealedSet::query()->where('round_id', $round->id)->whereNull('round_paper_id')->sole();
    $text = (string) preg_replace('/\s+/', ' ', textOf(app(Bytes::class)->read($sealed->sha256)));
    expect(substr_count($text, '127.0.0.1, an iPhone'))
        ->toBeGreaterThan(8)
        ->and($text)
        ->toContain('known by a link sent to jose@eide.example · read in Spanish')
        ->not->toContain('sunniva@eide.example · read in');
});
