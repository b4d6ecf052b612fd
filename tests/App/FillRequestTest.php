<?php

declare(strict_types=1);

use App\Files\Actions\SetParty;
use App\Forms\Actions\AnswerFillRequest;
use App\Mail\ActionLink;
use App\Models\DealFile;
use App\Models\FillRequest;
use App\Models\Letter;
use App\Overview\WaitingOnOthers;
use App\Papers\Actions\TakeForm;
use App\Papers\PaperLog;
use App\Papers\PaperView;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\PartyRefusal;
use Unanimus\Forms\FillRefusal;
use Unanimus\Parties\PartyDetails;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Kind;

/** A request to the first buyer to fill M-217 of a fresh file, and the file. */
function asked(array $more = []): FillRequest
{
    $test = test();
    $file = $test->aFile();
    Auth::setUser($test->people['tomas']);
    $paper = app(TakeForm::class)->take($file, 'M-217');
    Auth::forgetGuards();
    $test
        ->as('tomas')
        ->post("/files/{$file->key}/fill-requests", [
            'to' => ['buyer.1'],
            'reach' => ['buyer_1' => 'sunniva@clients.example'],
            'papers' => [$paper->key],
            'last_day' => test()->day(5),
            'message' => 'Call me if anything is unclear.',
            ...$more,
        ])
        ->assertSessionHas('told');
    Auth::forgetGuards();
    $test->seeAll();

    return FillRequest::query()
        ->with(['papers', 'file.office'])
        ->where('deal_file_id', $file->id)
        ->sole();
}

it('asks a client in a letter with a link that opens what is theirs and nothing else', function () {
    $fill = asked();
    $letter = Letter::query()->where('once_key', 'like', 'fill:%')->sole();
    expect($letter->recipient)
        ->toBe('sunniva@clients.example')
        ->and(ActionLink::of($letter))
        ->toBe($fill->link())
        ->and($letter->body)
        ->toContain('Call me if anything is unclear.');
    $this->get("/fill/{$fill->token()}")
        ->assertOk()
        ->assertSee('0 of')
        ->assertSee('one question at a time');
    $this->get("/fill/{$fill->key}.wrong")
        ->assertNotFound()
        ->assertSee('This link does not work');
    $this->get('/fill/01ARZ3NDEKTSV4RRFFQ69G5FAV.x')->assertNotFound();
    $this->post("/fill/{$fill->token()}/opened")->assertNoContent();
    $paper = $fill->papers->first();
    $this->get("/fill/{$fill->token()}/papers/{$paper->key}")
        ->assertOk()
        ->assertSee('Buyer&#039;s property', false);
    $this->get("/fill/{$fill->token()}/papers/{$paper->key}/pages/1.webp")
        ->assertOk()
        ->assertHeader('Content-Type', 'image/webp');
    $other = $this->paper($fill->file, 'M-201');
    $this->get("/fill/{$fill->token()}/papers/{$other->key}")->assertNotFound();
    $this->postJson("/fill/{$fill->token()}/papers/{$other->key}/entries", [
        'blank' => 'seller_status',
        'value' => 'x',
        'key' => 'other-0001',
    ])->assertNotFound();
    $this->seeAll();
    expect($fill->refresh()->opened_at)->not->toBeNull();
});

it('keeps every answer at once in the paper, as the client\'s', function () {
    $fill = asked();
    $paper = $fill->papers->first();
    $url = "/fill/{$fill->token()}/papers/{$paper->key}/entries";
    $this->postJson($url, ['blank' => 'hours', 'value' => '48', 'key' => 'client-0001'])
        ->assertOk()
        ->assertJsonPath('blanks.hours.shown', '48');
    $this->postJson($url, ['blank' => 'hours', 'value' => '48', 'key' => 'client-0001'])->assertOk();
    $this->postJson($url, ['blank' => 'hours', 'value' => 'many', 'key' => 'client-0002'])->assertStatus(422);
    $this->postJson($url, ['blank' => 'buyers', 'value' => 'Someone', 'key' => 'client-0003'])
        ->assertStatus(422)
        ->assertJsonPath('message', 'This is not yours to fill in.');
    $this->seeAll();
    $log = PaperLog::of($paper);
    expect($paper->load('values')->entries())
        ->toBe(['hours' => '48'])
        ->and($log->count())
        ->toBe(1)
        ->and($log->entries[0]->who)
        ->toBe($fill->name);
    $paper->load(['file.office', 'file.knownFacts', 'file.parties', 'file.papers']);
    expect(PaperView::of($paper)->by)->toBe(['hours' => "entered by {$fill->name}"]);
    $this->as('tomas')
        ->get("/papers/{$paper->key}")
        ->assertSee("entered by {$fill->name}");
    expect(
        DB::table('history')->where('deal_file_id', $fill->deal_file_id)->where('what', 'Entry')->orderByDesc('seq')->value('who'),
    )->toBe($fill->name);
});

it('goes one question at a time, back and forth, and rests what a choice leaves out', function () {
    $fill = asked();
    $url = "/fill/{$fill->token()}/questions";
    $html = (string) $this->get("{$url}/1")
        ->assertOk()
        ->getContent();
    expect($html)->toContain('Question 1 of');
    $key = fn (int $n) => sprintf('question-%04d', $n);
    $first = 0;
    for ($number = 1; $number < 12 && $first === 0; $number++) {
        str_contains((string) $this->get("{$url}/{$number}")->getContent(), 'Not listed yet') && ($first = $number);
    }
    expect($first)->toBeGreaterThan(0);
    $this->post("{$url}/{$first}", ['key' => $key(1), 'choice' => 'sold', 'go' => 'next'])->assertRedirect();
    $this->seeAll();
    $paper = $fill->papers->first();
    expect($paper->load('values')->entries())->toBe(['sold' => 'x']);
    $this->post("{$url}/{$first}", ['key' => $key(2), 'choice' => 'listed', 'go' => 'back'])->assertRedirect(
        "{$url}/".max(1, $first - 1),
    );
    $this->seeAll();
    expect(array_filter($paper->load('values')->entries()))->toBe(['listed' => 'x']);
    $this->post("{$url}/999", ['key' => $key(3), 'go' => 'next'])->assertNotFound();
    $this->post("{$url}/{$first}", ['key' => $key(4), 'choice' => 'listed', 'go' => 'rest'])->assertRedirect("/fill/{$fill->token()}");
});

it('tells what is missing, finishes once, and tells the agent once', function () {
    $fill = asked(['some' => []]);
    $paper = $fill->papers->first();
    $this->post("/fill/{$fill->token()}/finish")->assertSessionHas('reason', FillRefusal::AnswersMissing->value);
    $facts = fn () => DB::table('facts')->where('deal_file_id', $fill->deal_file_id)->pluck('value', 'name')->all();
    $before = $facts();
    // Only the first of the ticks that exclude each other; the loop ends when nothing is left.
    for ($round = 0; $round < 20; $round++) {
        $this->seeAll();
        $left = AnswerFillRequest::left($fill->fresh(['papers.values', 'file.office', 'file.knownFacts', 'file.parties', 'file.papers']));
        if ($left === []) {
            break;
        }
        [, $blank] = $left[0];
        $this->postJson("/fill/{$fill->token()}/papers/{$paper->key}/entries", [
            'blank' => $blank->name,
            'value' => $blank->kind === Kind::Tick ? 'x' : ($blank->kind === Kind::Number ? '48' : 'Somebody'),
            'key' => "finish-{$round}-{$blank->name}",
        ])->assertOk();
    }
    // What a client answers stands on the paper; the file's terms are the agent's to enter.
    expect($round)->toBeGreaterThan(2)->toBeLessThan(20)->and($facts())->toBe($before);
    $this->post("/fill/{$fill->token()}/finish")->assertRedirect("/fill/{$fill->token()}");
    $this->post("/fill/{$fill->token()}/finish");
    $this->get("/fill/{$fill->token()}")
        ->assertOk()
        ->assertSee('Thank you. You are done.');
    $this->seeAll();
    expect($fill->refresh()->status->value)
        ->toBe('finished')
        ->and(Letter::query()->where('once_key', 'like', 'filled:%')->count())
        ->toBe(1);
    $this->postJson("/fill/{$fill->token()}/papers/{$paper->key}/entries", [
        'blank' => 'hours',
        'value' => '1',
        'key' => 'too-late-1',
    ])->assertStatus(410);
});

it('is dead after its last day, keeps what was entered, and lets the client ask for another link', function () {
    $fill = asked();
    $paper = $fill->papers->first();
    $this->postJson("/fill/{$fill->token()}/papers/{$paper->key}/entries", [
        'blank' => 'hours',
        'value' => '24',
        'key' => 'in-time-01',
    ])->assertOk();
    Carbon::setTestNow(now()->addDays(7));
    $this->get("/fill/{$fill->token()}")
        ->assertStatus(410)
        ->assertSee('The last day has passed');
    $this->post("/fill/{$fill->token()}/another")->assertRedirect();
    $this->post("/fill/{$fill->token()}/another")->assertRedirect();
    $this->seeAll();
    expect(Letter::query()->where('once_key', 'like', 'fill-another:%')->count())
        ->toBe(1)
        ->and($paper->load('values')->entries())
        ->toBe(['hours' => '24']);
    $old = $fill->token();
    $this->as('tomas')
        ->post("/fill-requests/{$fill->key}/renew", ['last_day' => test()->day(3)])
        ->assertSessionHas('told');
    Auth::forgetGuards();
    $this->seeAll();
    $this->get("/fill/{$old}")->assertNotFound();
    $this->get("/fill/{$fill->refresh()->token()}")->assertOk();
    $this->as('tomas')
        ->post("/fill-requests/{$fill->key}/take-back")
        ->assertSessionHas('told');
    Auth::forgetGuards();
    $this->get("/fill/{$fill->token()}")
        ->assertStatus(410)
        ->assertSee('Nothing more to fill in');
    Carbon::setTestNow();
});

it('asks nothing of nobody, in words', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-201');
    $url = "/files/{$file->key}/fill-requests";
    $this->as('tomas')
        ->post($url, ['papers' => [$paper->key], 'last_day' => '2030-01-01'])
        ->assertSessionHasErrors('to');
    $this->as('tomas')
        ->post($url, ['to' => ['buyer.1'], 'last_day' => '2030-01-01'])
        ->assertSessionHasErrors('papers');
    $this->as('tomas')
        ->post($url, ['to' => ['seller.4'], 'papers' => [$paper->key], 'last_day' => '2030-01-01'])
        ->assertSessionHas('reason', PartyRefusal::NotInFile->value);
    $this->as('tomas')
        ->post($url, [
            'to' => ['buyer.1'],
            'reach' => ['buyer_1' => 'x@clients.example'],
            'papers' => [$paper->key],
            'last_day' => '2020-01-01',
        ])
        ->assertSessionHas('reason', FillRefusal::LastDayPassed->value);
    $this->as('tomas')->get($url)->assertOk()->assertSee('No requests yet');
});

it('reminds by itself once, two days before the last day', function () {
    $fill = asked();
    $reminders = fn () => Letter::query()->where('once_key', 'like', 'fill:%:remind:%')->count();
    $this->artisan('fill-requests:sweep')->assertSuccessful();
    $this->seeAll();
    expect($reminders())->toBe(0);
    Carbon::setTestNow(now()->addDays(3)->addHour());
    $this->artisan('fill-requests:sweep')->assertSuccessful();
    $this->artisan('fill-requests:sweep')->assertSuccessful();
    $this->seeAll();
    expect($reminders())->toBe(1)->and($fill->refresh()->reminded_on)->not->toBeNull();
    Carbon::setTestNow();
});

it('shows on Today whose answers are waited for, at their own seat', function () {
    $fill = asked();
    app(SetParty::class)($fill->file, Seat::of('seller.1'), new PartyDetails(name: 'Beatrix Palomar'));
    FillRequest::query()->whereKey($fill->id)->update(['party_id' => $fill->file->parties()->where('role', 'seller')->value('id')]);
    $rows = WaitingOnOthers::of(
        new App\Overview\Waiting($this->people['tomas'], DealFile::query()->with('members')->get()),
        $fill->file->office->today(),
    );
    $row = array_values(array_filter($rows, static fn ($row) => $row->about === 'has not opened the request'))[0];
    expect((string) $row->seat)->toBe('seller.1')->and($row->act['label'] ?? '')->toBe('Remind');
});

it('asks whole sentences with the row’s name, and offers plain answers', function () {
    $form = app(Unanimus\Forms\Library::class)->form('M-231');
    $filling = Unanimus\Forms\Filling::of($form, [], Unanimus\Terms\Facts::from([]));
    $asked = [];
    foreach (Unanimus\Forms\Questions::of($filling, Unanimus\Forms\Questions::open($filling)) as $question) {
        $asked[$question[0]->blank->group ?? $question[0]->blank->name] = App\Forms\QuestionText::of('M-231', $question);
    }
    expect($asked['roof']->ask)
        ->toBe('Roof: does it work?')
        ->and($asked['roof']->choices)
        ->toBe(['Yes', 'No', 'I do not know', 'There is none'])
        ->and($asked['gutters']->ask)
        ->toBe('Gutters and downspouts: do they work?')
        ->and($asked['solar']->ask)
        ->toBe('Solar panels: do they work?')
        ->and($asked['roof_age']->ask)
        ->toBe('Roof: how many years old is it?')
        ->and($asked['w_mold']->ask)
        ->toBe('Is there mold, or was there any?')
        ->and($asked['w_mold']->choices)
        ->toBe(['Yes', 'No', 'I do not know']);
});

it('asks whole sentences on every form, and its own words on those that clients fill in', function (string $language) {
    app()->setLocale($language);
    $plain = [];
    foreach (app(Unanimus\Forms\Library::class)->all() as $form) {
        $filling = Unanimus\Forms\Filling::of($form, [], Unanimus\Terms\Facts::from([]));
        foreach (Unanimus\Forms\Questions::of($filling, Unanimus\Forms\Questions::open($filling)) as $question) {
            $text = App\Forms\QuestionText::of($form->number, $question);
            expect($text->ask)->toMatch('/[?.]$/u')->not->toContain('client.fill');
            preg_match('/[“«]/u', $text->ask) === 1 && ($plain[$form->number][] = $question[0]->blank->name);
        }
    }
    // “What should stand at …?” is left for the terms of contracts, which agents fill in.
    foreach (['M-231', 'M-230', 'M-262', 'OC-21', 'Q-01', 'Q-05', 'Q-20'] as $number) {
        expect($plain[$number] ?? [])->toBe([], $number);
    }
    expect($plain['M-222'] ?? [])->toBe([])->and(count($plain['OC-11'] ?? []))->toBeLessThan(8);
})->with(['en', 'es']);

it('asks by default whom the blanks belong to, and says when somebody else was asked', function () {
    $file = $this->aFile();
    $this->as('tomas')->post("/files/{$file->key}/forms/M-103", ['what' => 'take'])->assertOk();
    $this->seeAll();
    $paper = $this->paper($file, 'M-103');
    $page = $this->as('tomas')->get("/files/{$file->key}/fill-requests?papers[]={$paper->key}")->assertOk()->getContent();
    expect(preg_match_all('/value="(\S+)"\s+data-role="\w+"\s+checked/', $page, $m))->toBe(2)->and($m[1])->toBe(['buyer.1', 'buyer.2']);
    $ask = fn (string $seat) => $this->as('tomas')->post("/files/{$file->key}/fill-requests", [
        'to' => [$seat],
        'reach' => ['seller_1' => 'beatrix@palomar.example'],
        'papers' => [$paper->key],
        'last_day' => '+7',
    ]);
    $ask('seller.1')->assertSessionHas('refused', fn (string $told) => str_contains($told, 'usually the buyer’s to fill in'));
    $ask('buyer.1')->assertSessionMissing('refused');
});

it('lets the owner complete the listing input sheet by link, and the file use the answers it does not know', function () {
    Illuminate\Support\Facades\Auth::setUser($this->people['caleb']);
    $file = app(App\Files\Actions\OpenFile::class)($this->people['caleb'], \Unanimus\Parties\Representation::Seller);
    app(App\Files\Actions\SetParty::class)(
        $file,
        Unanimus\Signing\Seat::of('seller.1'),
        new PartyDetails(name: 'Beatrix Palomar', email: 'beatrix@palomar.example'),
    );
    app(App\Files\Actions\SetFact::class)->many(
        $file->refresh(),
        ['property.street' => '208 Copperbeech Road', 'property.year_built' => '1987'],
    );
    $paper = $this->paper($file, 'Q-20');
    Illuminate\Support\Facades\Auth::forgetGuards();
    $this->as('caleb')
        ->post("/files/{$file->key}/fill-requests", ['to' => ['seller.1'], 'papers' => [$paper->key], 'last_day' => '+7'])
        ->assertSessionHas('told')
        ->assertSessionMissing('refused');
    $this->seeAll();
    $fill = App\Models\FillRequest::query()->where('deal_file_id', $file->id)->sole();
    Illuminate\Support\Facades\Auth::forgetGuards();
    $answers = ['town' => 'Pellingford', 'area' => '2,510', 'bedrooms' => '4', 'list_price' => '538k'];
    foreach ($answers as $blank => $value) {
        $this->postJson(
            "/fill/{$fill->token()}/papers/{$paper->key}/entries",
            ['blank' => $blank, 'value' => $value, 'key' => "owner-{$blank}-1"],
        )->assertOk();
    }
    $this->as('caleb')
        ->get("/papers/{$paper->key}")
        ->assertSee('Beatrix Palomar answered what the file does not know yet')
        ->assertSee('Use 3 answers in the file');
    $this->as('caleb')->post("/papers/{$paper->key}/answers")->assertSessionHas('told', 'The file uses 3 answers.');
    $this->seeAll();
    $known = $file->knownFacts()->pluck('value', 'name');
    expect($known['property.city'])
        ->toBe('Pellingford')
        ->and($known['property.area'])
        ->toBe('2510')
        ->and($known['list_price'])
        ->toBe('538000.00')
        ->and($file->knownFacts()->where('name', 'property.city')->value('source'))
        ->toContain('Beatrix Palomar');
    $this->as('caleb')->post("/papers/{$paper->key}/answers")->assertSessionHas('reason', FillRefusal::AnswersAreThere->value);
});
