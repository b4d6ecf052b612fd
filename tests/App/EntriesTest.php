<?php

declare(strict_types=1);

use App\Models\Round;
use App\Signing\Actions\SendRound;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Signing\SigningRefusal;

/** Where the marks of these tests stand, from the top, by the letter that names them. */
const ENTRIES = [
    'A' => ['signature', []],
    'B' => ['tick', ['hint' => 'Home warranty']],
    'C' => ['text', ['hint' => 'Warranty cost', 'format' => 'money']],
    'D' => ['text', ['hint' => 'Lender', 'required' => false]],
    'E' => ['initials', ['group' => 'receipt']],
    'F' => ['initials', ['group' => 'receipt']],
    'G' => ['text', ['hint' => 'Prepared by', 'filled' => 'Tidewater Office']],
    'H' => ['capacity', []],
    'I' => ['moment', []],
    'J' => ['company', []],
];

/** A round on a paper from outside with every kind of entry on it, still being composed. */
function roundOfEntries(): Round
{
    $test = test();
    $file = $test->aFile();
    $test->as('tomas')
        ->put("/files/{$file->key}/parties/buyer.1?at=opening", ['capacity' => 'as trustee of the Eide Trust', 'firm' => 'Eide & Co'])
        ->assertRedirect();
    $round = roundOfPaper($file, MadePdf::text(72, 740, 'A paper with nothing on it that says who signs.'));
    foreach (array_keys(ENTRIES) as $index => $letter) {
        [$kind, $terms] = ENTRIES[$letter];
        placed($round, [
            ...putting($letter, $kind),
            'place' => [72, 90 + 40 * $index, $kind === 'tick' ? 10 : 200, $kind === 'tick' ? 10 : 16],
            'terms' => $letter === 'C' ? [...$terms, 'when' => str_repeat('B', 26)] : $terms,
        ])->assertOk();
    }

    return $round->refresh();
}

/** @return array<string, mixed> a mark of the first buyer as the desk sends it */
function putting(string $letter, string $kind): array
{
    return [
        'do' => 'put',
        'mark' => str_repeat($letter, 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => $kind,
        'place' => [72, 600, 90, 14],
    ];
}

/** The signer's link, with consent given and a signature chosen. */
function atEntries(Round $round): string
{
    $test = test();
    Auth::setUser($test->people['tomas']);
    app(SendRound::class)($round);
    Auth::forgetGuards();
    $link = '/sign/'.$test->signer($round, 'buyer.1')->token();
    $test->post("{$link}/consent", ['agree' => '1']);
    $test->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'flowing']);

    return $link;
}

it('asks a signer for what the sender wants to know, and seals it as it was typed', function () {
    $round = roundOfEntries();
    $link = atEntries($round);
    $mark = fn (string $letter) => str_repeat($letter, 26);
    $does = fn (string $letter, array $body = []) => $this->postJson("{$link}/marks/{$mark($letter)}", ['once' => uniqid(), ...$body]);
    $this->get($link)->assertOk()->assertSee('Warranty cost')->assertSee('data-format="money"', false);
    $does('C', ['value' => '600'])->assertStatus(409)->assertJsonPath('reason', SigningRefusal::NotChosen->value);
    $does('B')->assertOk()->assertJsonPath("places.{$mark('C')}.asked", true)->assertJsonPath('left', 3);
    $does('C', ['value' => 'six hundred'])->assertStatus(409);
    $does('C', ['value' => '600'])->assertOk()->assertJsonPath('left', 2);
    $does('C', ['value' => '650'])->assertOk();
    $does('E')->assertOk();
    expect($does('F')->assertOk()->json("places.{$mark('E')}.drawn"))->toBe('');
    $does('D', ['value' => 'Brackwater Lending'])->assertOk();
    $this->deleteJson("{$link}/marks/{$mark('D')}", ['once' => 'one'])->assertOk()->assertJsonPath("places.{$mark('D')}.drawn", '');
    $this->deleteJson("{$link}/marks/{$mark('F')}", ['once' => 'two'])
        ->assertStatus(409)
        ->assertJsonPath('reason', SigningRefusal::NotTakenBack->value);
    $does('A')->assertOk()->assertJsonPath('left', 0);
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->work();
    $this->seeAll();
    $sealed = sealedText($round);
    foreach (['$650', 'Tidewater Office', 'as trustee of the Eide Trust', 'Eide & Co', 'Filled in: text, Their addendum'] as $there) {
        expect($sealed)->toContain($there);
    }
    expect($sealed)->not->toContain('$600')->not->toContain('Brackwater')->toMatch('~\d+/\d+/20\d\d \d+:\d\d [ap]m ET~');
    expect(DB::table('history')->where('deal_file_id', $round->deal_file_id)->pluck('data')->implode(' '))
        // Beside hashes, in which any three digits may stand together.
        ->not->toMatch('~(?<![0-9a-f])650(?![0-9a-f])~');
});

it('stores what was sent twice once, and lets nobody fill in for another', function () {
    $round = roundOfEntries();
    placed($round, [...putting('L', 'signature'), 'seat' => 'buyer.2'])->assertOk();
    $link = atEntries($round->refresh());
    $mark = str_repeat('D', 26);
    foreach ([1, 2] as $time) {
        $this->postJson("{$link}/marks/{$mark}", ['value' => 'Brackwater', 'once' => 'same'])->assertOk();
    }
    expect(DB::table('round_events')->where('kind', 'marked')->count())->toBe(1);
    $theirs = '/sign/'.$this->signer($round, 'buyer.2')->token();
    $this->post("{$theirs}/consent", ['agree' => '1']);
    $this->post("{$theirs}/adopt", ['name' => 'José Nguyễn-Ortiz', 'initials' => 'JN', 'hand' => 'flowing']);
    foreach (['postJson', 'deleteJson'] as $way) {
        $this->{$way}("{$theirs}/marks/{$mark}", ['value' => 'x', 'once' => 'y'])
            ->assertStatus(409)
            ->assertJsonPath('reason', SigningRefusal::NotTheirs->value);
    }
    $this->deleteJson('/sign/no-such-link/marks/'.$mark)->assertNotFound();
    expect(DB::table('round_events')->where('kind', 'cleared')->count())->toBe(0);
});

it('asks for what hung on a check box as before once the box is taken away, and keeps an entry of the sender readable', function () {
    $round = roundOfEntries();
    placed($round, ['do' => 'drop', 'mark' => str_repeat('B', 26)])->assertOk();
    $this->seeAll();
    expect($round->marks()->where('key', str_repeat('C', 26))->sole()->terms)->toBe(['hint' => 'Warranty cost', 'format' => 'money']);
    $put = putting('K', 'text');
    placed($round, [...$put, 'terms' => ['format' => 'day', 'filled' => 'whenever']])->assertStatus(409);
    placed($round, [...$put, 'terms' => ['format' => 'day', 'filled' => '2026-12-18']])->assertOk();
    $this->seeAll();
    expect($round->marks()->where('key', $put['mark'])->sole()->terms['filled'])->toBe('12/18/2026');
});

it('offers words to be struck: struck and initialled by the signer, taken back until they finish, told in the record', function () {
    $round = roundOfPaper($this->aFile(), MadePdf::text(72, 500, 'The seller leaves the range and the porch swing.', 12));
    $put = fn (string $mark, string $kind, array $place) => placed($round, [
        'do' => 'put',
        'mark' => str_repeat($mark, 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => $kind,
        'place' => $place,
    ])->assertOk();
    $put('D', 'strike', [200, 284, 80, 12]);
    $put('E', 'signature', [72, 600, 170, 22]);
    $this->as('tomas')->getJson("/rounds/{$round->key}/papers/0/pages/1/places?words=1")->assertOk()->assertJsonPath('0.4', 'word');
    $this->as('tomas')->get("/rounds/{$round->key}")->assertDontSee('covers “');
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    $this->post("{$link}/consent", ['agree' => '1']);
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'plain']);
    $this->get($link)->assertSee('strike these words');
    $words = "{$link}/marks/".str_repeat('D', 26);
    $strike = fn (string $method, string $once) => $this->json($method, $words, ['once' => $once])->assertOk();
    expect($strike('POST', 'strike-1')->json('left'))->toBe(1);
    $strike('DELETE', 'strike-2');
    expect($strike('POST', 'strike-3')->json('places')[str_repeat('D', 26)]['drawn'])->toContain('L280.00 290.00')->toContain('>SE</text>');
    $this->postJson("{$link}/marks/".str_repeat('E', 26), ['once' => 'sign-1'])->assertOk();
    $this->post("{$link}/finish")->assertRedirect($link);
    $this->work();
    $this->seeAll();
    expect(sealedText($round))->toContain('Struck and initialled: words to strike, Their addendum,');
});

it('asks for the phone number under a signature, as one is entered, and lets the signer leave it', function () {
    $block = MadePdf::text(72, 300, 'Buyer: ______________________________  Date: ______________', 10).
        MadePdf::text(72, 280, 'Phone: ______________________________', 10);
    $round = roundOfPaper($this->aFile(), $block);
    expect(marksOf($round))->toContain('text buyer.1 in pencil');
    $terms = $round->marks()->where('kind', 'text')->sole()->terms();
    expect([$terms->hint, $terms->format, $terms->isRequired])->toBe(['Phone', Unanimus\Signing\EntryFormat::Phone, false]);
});
