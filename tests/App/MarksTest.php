<?php

declare(strict_types=1);

use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Signing\SigningRefusal;

const OUTSIDE = [
    [72, 300, 'Buyer: ______________________________  Date: ______________'],
    [72, 270, 'Buyer: ______________________________  Date: ______________'],
    [72, 240, 'Client: ______________________________'],
];

it('finds where a paper from outside is signed, asks who “client” is, and sends when both are settled', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, written(OUTSIDE));
    expect(marksOf($round))
        ->toBe(['signature buyer.1 in pencil', 'date buyer.1 in pencil', 'signature buyer.2 in pencil', 'date buyer.2 in pencil'])
        ->and($round->signers()->pluck('seat')->all())
        ->toBe(['buyer.1', 'buyer.2']);
    $page = $this->as('tomas')->get("/rounds/{$round->key}")->assertOk()->getContent();
    expect($round->papers()->sole()->unclear)
        ->toHaveCount(1)
        ->and($page)
        ->toContain('who is “client”?')
        ->toContain('4 places on “Their addendum” still in pencil');
    $this->as('tomas')
        ->post("/rounds/{$round->key}/send")
        ->assertSessionHas('reason', SigningRefusal::RoundHasFaults->value);
    $answer = placed($round, ['do' => 'who', 'paper' => 0, 'word' => 'client', 'seat' => 'agent.1'])->assertOk();
    expect($answer->json('unclear'))->toBe([])->and($answer->json('signers'))->toContain('Tomás');
    placed($round, ['do' => 'keep'])->assertOk()->assertJsonPath('marks.0.sure', null);
    expect(marksOf($round))->toBe(['signature buyer.1', 'date buyer.1', 'signature buyer.2', 'date buyer.2', 'signature agent.1']);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    expect($round->refresh()->status->value)->toBe('out');
    placed($round, ['do' => 'keep'])->assertStatus(409)->assertJsonPath('reason', SigningRefusal::AlreadyOut->value);
});

it('gives the next place of a word to the next person of the role, and asks about one too many', function () {
    $line = '______________________________  Date: ______________';
    $rows = fn (string $who) => [[72, 300, "{$who}: {$line}"], [72, 270, "{$who}: {$line}"], [72, 240, "{$who}: ".substr($line, 0, 30)]];
    $theirs = ['signature buyer.1 in pencil', 'date buyer.1 in pencil', 'signature buyer.2 in pencil', 'date buyer.2 in pencil'];
    // Who the only clients here are is known, in whatever order they came into the file.
    $file = $this->aFile();
    $first = ['deal_file_id' => $file->id, 'number' => 1, 'role' => 'buyer'];
    DB::table('parties')->where($first)->update(['signing_name' => 'Sunniva Eide']);
    $round = roundOfPaper($file, written($rows('Client')));
    expect(marksOf($round))->toBe($theirs)->and(array_column($round->papers()->sole()->unclear, 'word'))->toBe(['client']);
    // Who was asked about is two people as well.
    DB::table('papers')->where('title', 'Their addendum')->update(['title' => 'The first']);
    $round = roundOfPaper($this->aFile(['property.street' => '9 Other Lane']), written($rows('Witness')));
    expect(marksOf($round))->toBe([]);
    $answer = placed($round, ['do' => 'who', 'paper' => 0, 'word' => 'witness', 'seat' => 'buyer.1'])->assertOk();
    expect(marksOf($round))->toBe($theirs)->and($answer->json('unclear.0.count'))->toBe(1);
    placed($round, ['do' => 'nobody', 'paper' => 0, 'word' => 'witness'])->assertOk()->assertJsonPath('unclear', []);
});

it('leaves places to others where nobody who is asked here signs', function () {
    $round = roundOfPaper($this->aFile(), written(OUTSIDE));
    $nobody = ['do' => 'nobody', 'paper' => 0, 'word' => 'client'];
    expect(placed($round, $nobody)->assertOk()->json('unclear'))->toBe([]);
    placed($round, $nobody)->assertOk();
    placed($round, [...$nobody, 'paper' => 3])->assertStatus(409)->assertJsonPath('reason', SigningRefusal::NoSuchPaper->value);
    placed($round, ['do' => 'keep']);
    $this->as('tomas')->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    $this->seeAll();
    expect($round->signers()->pluck('seat')->all())->toBe(['buyer.1', 'buyer.2'])
        ->and(DB::table('history')->where('what', 'Word that is nobody here')->count())->toBe(1);
    placed($round, $nobody)->assertStatus(409)->assertJsonPath('reason', SigningRefusal::AlreadyOut->value);
});

it('puts a place, changes it, gives it to another and takes it away, each once', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 700, 'Nothing to sign is said here.'));
    $put = [
        'do' => 'put',
        'mark' => str_repeat('A', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => 'signature',
        'place' => [72, 500, 170, 22],
    ];
    placed($round, $put)->assertOk();
    placed($round, $put)->assertOk();
    expect(marksOf($round))->toBe(['signature buyer.1'])->and($round->signers()->pluck('seat')->all())->toBe(['buyer.1']);
    placed($round, [...$put, 'seat' => 'buyer.2', 'place' => [600, 790, 170, 22]])->assertOk();
    expect(marksOf($round))->toBe(['signature buyer.2']);
    $mark = $round->marks()->sole();
    expect([$mark->x, $mark->y])->toBe(['442.00', '770.00']);
    placed($round, ['do' => 'drop', 'mark' => $put['mark']])->assertOk();
    placed($round, ['do' => 'drop', 'mark' => $put['mark']])->assertOk()->assertJsonPath('marks', []);
    expect(
        DB::table('history')
            ->where('deal_file_id', $file->id)
            ->where('what', 'like', 'Place to sign%')
            ->orderBy('seq')
            ->pluck('what')
            ->all(),
    )
        ->toBe(['Place to sign added', 'Place to sign changed', 'Place to sign removed']);
});

it('refuses in words a place that cannot be, and leaves everything as it was', function (array $change, SigningRefusal $reason) {
    $file = $this->aFile();
    $round = roundOfPaper($file, MadePdf::text(72, 700, 'Nothing to sign is said here.'));
    $put = [
        'do' => 'put',
        'mark' => str_repeat('B', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => 'signature',
        'place' => [72, 500, 170, 22],
    ];
    placed($round, [...$put, ...$change])->assertStatus(409)->assertJsonPath('reason', $reason->value);
    expect(marksOf($round))->toBe([]);
})->with([
    'a page that is not there' => [['page' => 2], SigningRefusal::NoSuchPaper],
    'a paper that is not there' => [['paper' => 7], SigningRefusal::NoSuchPaper],
    'nobody on that seat' => [['seat' => 'buyer.5'], SigningRefusal::SeatEmpty],
    'the other side’s client' => [['seat' => 'seller.1'], SigningRefusal::NotAskedByUs],
    'a check box that is not there' => [['terms' => ['when' => str_repeat('C', 26)]], SigningRefusal::NoSuchBox],
    'no numbers' => [['place' => ['a', 'b', 'c', 'd']], SigningRefusal::NoSuchPlace],
]);

it('shows the lines of a page to those who work on the file, and to nobody else', function () {
    $file = $this->aFile();
    $round = roundOfPaper($file, written(OUTSIDE));
    expect($this->as('tomas')->getJson("/rounds/{$round->key}/papers/0/pages/1/places")->assertOk()->json())->toHaveCount(5);
    $this->as('caleb')->getJson("/rounds/{$round->key}/papers/0/pages/1/places")->assertNotFound();
    placed($round, ['do' => 'keep'], 'caleb')->assertNotFound();
});

it('prints proposed places, with the seats called as they were asked for', function () {
    $scratch = new Unanimus\Pages\Scratch();
    $path = $scratch->put(
        'paper.pdf',
        MadePdf::page(written([[72, 300, 'Licensee: ______________________________']])),
    );
    Illuminate\Support\Facades\Artisan::call('marks:propose', ['file' => $path, '--seats' => 'buyer.1,agent']);
    $told = json_decode(Illuminate\Support\Facades\Artisan::output(), true);
    expect($told)->toHaveCount(1)->and($told[0]['seat'])->toBe('agent')->and($told[0]['kind'])->toBe('signature');
    expect(Illuminate\Support\Facades\Artisan::call('marks:propose', ['file' => $path, '--seats' => 'nobody']))->toBe(1);
});

it('reads a scan while its round is composed, and leaves alone what was put there by hand', function () {
    $above = [72, 500, 'We agree to all of the terms above. Sign and date here:'];
    $scan = MadePdf::scan(MadePdf::page(written([$above, ...OUTSIDE])), new Unanimus\Pages\Scratch());
    $round = roundOfPaper($this->aFile(), $scan);
    expect(marksOf($round))
        ->toBe([])
        ->and($round->papers()->sole()->reading)
        ->toBeTrue();
    $this->as('tomas')
        ->get("/rounds/{$round->key}")
        ->assertOk()
        ->assertSee('“Their addendum” is still being read for places to sign.')
        ->assertDontSee('No one signs');
    $this->seeAll();
    $mine = ['do' => 'put', 'mark' => str_repeat('A', 26), 'paper' => 0, 'page' => 1, 'seat' => 'buyer.1', 'kind' => 'signature'];
    placed($round, [...$mine, 'place' => [110.0, 475.0, 170.0, 22.0]])->assertOk()->assertJson(['reading' => ['Their addendum']]);
    $this->work();
    expect(marksOf($round))
        ->toBe(['signature buyer.1', 'date buyer.1 in pencil', 'signature buyer.2 in pencil', 'date buyer.2 in pencil'])
        ->and($round->papers()->sole())
        ->reading->toBeFalse()
        ->unclear->toHaveCount(1)
        ->and(DB::table('history')->where('what', 'Scan read')->count())
        ->toBe(1);
    // What is done is not done again.
    app(App\Signing\Actions\PlaceFound::class)->work($round->brokerage_id, $round->papers()->sole()->id);
    expect(marksOf($round))->toHaveCount(4);
    $this->as('tomas')->getJson("/rounds/{$round->key}/marks")->assertOk()->assertJson(['reading' => []]);
    $this->as('caleb')->getJson("/rounds/{$round->key}/marks")->assertNotFound();
});

it('does not put anything on a round that went out before its scan was read', function () {
    $scan = MadePdf::scan(MadePdf::page(written(OUTSIDE)), new Unanimus\Pages\Scratch());
    $round = roundOfPaper($this->aFile(), $scan);
    $round->update(['status' => Unanimus\Signing\RoundStatus::Recalled]);
    $this->work();
    expect(marksOf($round))->toBe([])->and(DB::table('pending_work')->where('kind', 'reading')->count())->toBe(0);
});

it('says when a place is put over printed words, and no more once it stands free', function () {
    $round = roundOfPaper($this->aFile(), MadePdf::text(72, 500, 'The buyer agrees to all of it.', 12));
    $put = fn (float $y) => placed($round, [
        'do' => 'put',
        'mark' => str_repeat('B', 26),
        'paper' => 0,
        'page' => 1,
        'seat' => 'buyer.1',
        'kind' => 'signature',
        'place' => [72, $y, 120, 20],
    ])->assertOk();
    $told = fn () => $this->as('tomas')->get("/rounds/{$round->key}")->getContent();
    // The words stand some 292 points from the upper edge.
    $put(284);
    expect($told())->toContain('covers “The buyer agrees to');
    $put(600);
    expect($told())->not->toContain('covers “');
});
