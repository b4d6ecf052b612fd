<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\Round;
use App\Models\Sight;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Parties\Side;
use Unanimus\Signing\SigningRefusal;

/** A file with a form that nobody signs, on its checklist. @return array{DealFile, Paper, Requirement} */
function aFileWithCover(): array
{
    $file = test()->aFile();
    test()
        ->as('tomas')
        ->post("/files/{$file->key}/forms/M-205", ['what' => 'take']);
    test()->seeAll();
    $paper = test()->paper($file, 'M-205');
    $requirement = $file
        ->requirements()
        ->create([
            'brokerage_id' => $file->brokerage_id,
            'paper_id' => $paper->id,
            'title' => $paper->title,
            'stage' => 'offer',
            'position' => 1,
        ]);

    return [$file, $paper, $requirement];
}

function textOfPaper(Paper $paper): string
{
    return textOf(
        (string) test()
            ->as('tomas')
            ->get("/papers/{$paper->key}/pdf")
            ->assertOk()
            ->getContent(),
    );
}

it('fixes a form that nobody signs as it is handed in, so that what is accepted is what was read', function () {
    [$file, $paper, $requirement] = aFileWithCover();
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee("/requirements/{$requirement->key}/submit", false);
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('told');
    $before = textOfPaper($paper);
    expect($before)->toContain('412,500');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '399,000']);
    $this->as('ines')
        ->get("/review/{$requirement->key}")
        ->assertOk()
        ->assertSee('/pages/1.webp');
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/accept")
        ->assertRedirect();
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Submitted,')
        ->assertDontSee('data-blank', false);
    $this->seeAll();
    expect(textOfPaper($paper->refresh()))
        ->toBe($before)
        ->and($paper->versions()->pluck('made_by')->all())
        ->toBe([MadeBy::Submitted])
        ->and(app(Bytes::class)->read($paper->versions()->sole()->sha256))
        ->toStartWith('%PDF');
});

it('lets a form that was fixed be filled on when it is sent back, or does not apply', function (string $decision, array $given) {
    [$file, $paper, $requirement] = aFileWithCover();
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => 'price', 'value' => '1', 'key' => 'while-away'])
        ->assertStatus(409);
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/{$decision}", $given)
        ->assertRedirect();
    $this->seeAll();
    expect($paper->refresh()->state->value)->toBe('draft');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '399,000']);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertSee('data-blank', false);
    expect(textOfPaper($paper))->toContain('399,000');
})->with([['send-back', ['remark' => 'Not the price we spoke of.']], ['waive', ['reason' => 'Handed over in person.']]]);

it('fixes it once, however often it is handed in', function () {
    [, $paper, $requirement] = aFileWithCover();
    foreach (['told', 'refused'] as $answer) {
        $this->as('tomas')
            ->post("/requirements/{$requirement->key}/submit")
            ->assertSessionHas($answer);
    }
    $this->seeAll();
    expect($paper->versions()->count())->toBe(1);
});

it('keeps the figures a disbursement was authorized on when the price moves on, and says so', function () {
    $file = $this->aFile();
    authorized($file);
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('$11,343.75')
        ->assertDontSee('moved on');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '500,000']);
    $this->as('tomas')->put("/files/{$file->key}/parties/agent.1", ['name' => 'Someone Else']);
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('$11,343.75')
        ->assertDontSee('$13,750.00')
        ->assertSee('Tomás Reyes-Whitlock')
        ->assertSee('It is now $500,000. This was authorized at $412,500.');
});

it('lets nothing be written over what was authorized', function () {
    $file = $this->aFile();
    authorized($file);
    $paper = $file->papers()->where('title', 'Commission disbursement authorization')->sole();
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertOk()
        ->assertDontSee('Add text or marks');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/pieces", [
            'key' => 'over-it-1',
            'page' => 1,
            'kind' => 'text',
            'text' => 'more',
            'place' => [60, 60, 100, 14],
        ])
        ->assertStatus(409)
        ->assertJsonFragment(['message' => 'This paper was authorized with the file’s figures. It cannot be changed.']);
});

it('says of a closed file when it closed, not how long it has yet', function () {
    $file = $this->aFile(['closing' => '+30']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('closes')
        ->assertSee('saved as you go');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'acceptance', 'value' => 'yesterday']);
    authorized($file);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'closed', 'sure' => '1'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('as they were when it ended')
        ->assertDontSee('closes <strong>', false)
        ->assertSeeInOrder(['closed', '<strong>'.$file->office->today()->short($file->office->today()->year())], false);
});

it('follows the price until it is authorized', function () {
    $file = $this->aFile();
    $this->as('tomas')->put("/files/{$file->key}/commission", [
        'rate' => '2.75',
        'agent_share' => '70',
        'fee' => '395',
        'fee_name' => 'Fee',
    ]);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '500,000']);
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('$13,750.00');
});

it('tells of one side’s round and review in that side’s history only', function () {
    $file = $this->aFile(['agency' => 'both']);
    $priya = $this->people['priya'];
    $file->update(['represents' => 'both']);
    DB::table('file_members')
        ->where('deal_file_id', $file->id)
        ->where('user_id', $this->people['tomas']->id)
        ->update(['side' => 'buyer']);
    DB::table('file_members')->insert([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'user_id' => $priya->id,
        'role' => 'agent',
        'side' => 'seller',
        'joined_at' => now()->subDay(),
    ]);
    $paper = $this->paper($file, 'M-102');
    $paper->update(['side' => 'buyer']);
    $paper->requirement()->update(['side' => 'buyer']);
    $round = $this->aRound($file->refresh());
    expect($round->side)->toBe(Side::Buyer);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
    }
    $this->work();
    $requirement = Requirement::query()->where('paper_id', $paper->id)->sole();
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('told');
    $this->as('ines')->post("/requirements/{$requirement->key}/accept");
    $read = function (string $who) use ($file): array {
        Sight::ofPerson($this->people[$who]->fresh());

        return DB::table('history')
            ->where('deal_file_id', $file->id)
            ->whereIn('what', ['Sent for signature', 'Sealed set filed', 'Submitted', 'Accepted'])
            ->orderBy('seq')
            ->pluck('what')
            ->all();
    };
    expect($read('tomas'))
        ->toBe(['Sent for signature', 'Sealed set filed', 'Submitted', 'Accepted'])
        ->and($read('ines'))
        ->toBe($read('tomas'))
        ->and($read('priya'))
        ->toBe([]);
    $this->seeAll();
    expect(Artisan::call('history:verify'))->toBe(0);
});

it('changes or drops no round that was sent meanwhile from another tab', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->sole();
    $signer = $this->signer($round, 'buyer.2');
    $this->as('tomas')
        ->post("/rounds/{$round->key}/send")
        ->assertSessionHas('told');
    foreach (
        [
            fn () => $this->put("/rounds/{$round->key}", ['message' => 'late words']),
            fn () => $this->delete("/rounds/{$round->key}"),
            fn () => $this->delete("/rounds/{$round->key}/signers/{$signer->key}"),
        ] as $late
    ) {
        $this->as('tomas');
        $late()->assertSessionHas('reason', SigningRefusal::AlreadyOut->value);
    }
    $this->seeAll();
    expect($round->refresh()->message)
        ->toBe('')
        ->and($round->signers()->count())
        ->toBe(3);
});

it('sends nothing with a last day that has passed or cannot be read, or to what is no address', function (array $given, string $told) {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/rounds", ['papers' => [$this->paper($file, 'M-102')->key]]);
    $this->seeAll();
    $round = Round::query()->sole();
    $given = array_map(fn ($one) => is_array($one) ? [$this->signer($round, 'buyer.1')->key => $one[0]] : $one, $given);
    $answer = $this->as('tomas')
        ->from("/rounds/{$round->key}")
        ->put("/rounds/{$round->key}", [...$given, 'send' => '1'])
        ->assertRedirect("/rounds/{$round->key}");
    $session = $answer->baseResponse->getSession();
    expect(implode(' ', [$session->get('refused'), ...$session->get('errors')?->all() ?? []]))->toContain($told);
    $this->seeAll();
    expect($round->refresh()->status->value)
        ->toBe('drafting')
        ->and(DB::table('letters')->count())
        ->toBe(0);
})->with([
    'a day that has passed' => [['last_day' => '1/2/2020'], 'in the past'],
    'no day at all' => [['last_day' => 'soonish'], 'could not be read as a date'],
    'no address' => [['addresses' => ['sunniva at home']], 'not an email address'],
    'a turn that is none' => [['turns' => ['twelve']], 'turns'],
]);

it('keeps every choice of a signature as its own event, and takes none after the first place is signed', function () {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link);
    $this->post("{$link}/consent", ['agree' => '1']);
    foreach (['flowing', 'brisk', 'flowing'] as $hand) {
        $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => $hand])->assertRedirect($link);
    }
    $this->seeAll();
    $events = DB::table('round_events')
        ->where('round_id', $round->id)
        ->where('kind', 'adopted')
        ->orderBy('id')
        ->pluck('data')
        ->map(fn (string $data) => json_decode($data, true));
    expect($events->pluck('hand')->all())
        ->toBe(['flowing', 'brisk', 'flowing'])
        ->and($events->last()['signature'])
        ->toBe(hash('sha256', (string) json_encode($this->signer($round, 'buyer.1')->signature()?->toArray())))
        ->toBe($events->first()['signature']);
    $mark = $round->marks()->where('seat', 'buyer.1')->where('kind', 'signature')->firstOrFail();
    Auth::forgetGuards();
    $this->postJson("{$link}/marks/{$mark->key}")->assertOk();
    $this->post("{$link}/adopt", ['name' => 'Sunniva Eide', 'initials' => 'SE', 'hand' => 'plain'])
        ->assertSessionHas('reason', SigningRefusal::AdoptedForGood->value);
    $this->seeAll();
    expect($this->signer($round, 'buyer.1')->signature()?->hand)->toBe('flowing');
});

it('takes no signature that is none', function (array $given, string $told) {
    $round = $this->aRound($this->aFile());
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link);
    $this->post("{$link}/consent", ['agree' => '1']);
    $answer = $this->post("{$link}/adopt", [...['name' => 'Sunniva Eide', 'initials' => 'SE'], ...$given])->assertRedirect();
    $session = $answer->baseResponse->getSession();
    expect(implode(' ', [$session->get('refused'), ...$session->get('errors')?->all() ?? []]))->toContain($told);
    $this->seeAll();
    expect($this->signer($round, 'buyer.1')->adopted)->toBeNull();
})->with([
    'no name' => [['name' => '', 'hand' => 'plain'], 'Enter your name'],
    'blanks for a name' => [['name' => " \u{200B} ", 'hand' => 'plain'], 'Enter your name'],
    'no initials' => [['initials' => '', 'hand' => 'plain'], 'your initials first'],
    'nothing drawn' => [['strokes' => '[]'], 'Draw your signature'],
    'a dot' => [['strokes' => '[[[1,1]]]'], 'Draw your signature'],
    'no drawing' => [['strokes' => '{"a":"b"'], 'Draw your signature'],
    'points that are none' => [['strokes' => '[[["a","b"]]]'], 'could not be read'],
    'a hand we have not' => [['hand' => 'gothic'], 'styles shown'],
    'far too long a name' => [['name' => str_repeat('x', 121), 'hand' => 'plain'], '120'],
]);

it('goes on sweeping rounds when one of them has just been finished', function () {
    $file = $this->aFile();
    $first = $this->aRound($file);
    $second = $this->aRound($file, ['M-230']);
    DB::table('rounds')
        ->whereIn('id', [$first->id, $second->id])
        ->update(['last_day' => '2026-01-01']);
    DB::table('round_events')->insert([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'round_id' => $first->id,
        'kind' => 'recalled',
        'data' => '{}',
        'once_key' => 'recalled',
        'at' => now(),
    ]);
    expect(Artisan::call('rounds:sweep'))->toBe(0);
    $this->seeAll();
    expect($second->refresh()->status->value)->toBe('lapsed');
});
