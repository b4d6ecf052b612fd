<?php

declare(strict_types=1);

use App\Access\Reach;
use App\Models\DealFile;
use App\Models\Letter;
use App\Models\Round;
use App\Models\Sight;
use App\Models\User;
use App\Models\WorkingCopy;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Unanimus\Files\PaperRefusal;
use Unanimus\Files\PaperState;
use Unanimus\Parties\Representation;
use Unanimus\Signing\SigningRefusal;
use Unanimus\Signing\WorkingCopyRules;

/** @param  array<string, mixed>  $with */
function give(DealFile $file, array $with = []): TestResponse
{
    return test()->as('tomas')->post("/files/{$file->key}/working-copies", [
        'papers' => [test()->paper($file, 'M-201')->key],
        'name' => 'Lucian Ferro',
        'firm' => 'Harborstone Homes',
        'email' => 'lucian@harborstone.example',
        'last_day' => test()->day(10),
        'message' => 'One paper for Beatrix.',
        ...$with,
    ]);
}

function workingCopy(DealFile $file): WorkingCopy
{
    give($file)->assertSessionMissing('refused');
    test()->seeAll();

    return WorkingCopy::query()->where('deal_file_id', $file->id)->with('papers')->sole();
}

/** The other side's agent, by their link and nothing else, asks their client to sign. */
function asksTheirClient(WorkingCopy $copy, string $name = 'Beatrix Palomar'): Round
{
    Auth::forgetGuards();
    test()->flushSession();
    test()
        ->post('/work/'.$copy->token().'/rounds', [
            'papers' => $copy->papers->pluck('key')->all(),
            'clients' => [['name' => $name, 'email' => 'beatrix@palomar.example'], ['name' => '', 'email' => '']],
        ])
        ->assertSessionMissing('refused');
    test()->seeAll();

    return Round::query()->where('deal_file_id', $copy->guest_file_id)->orderByDesc('id')->firstOrFail();
}

/** As whoever came in by the link. */
function asGuest(WorkingCopy $copy): object
{
    Auth::forgetGuards();
    test()->seeAll();
    $guest = User::query()->findOrFail($copy->guest_id);

    return test()->actingAs($guest);
}

it('has the other side sign from here, and takes what comes back after a look', function () {
    $file = $this->aFile();
    $copy = workingCopy($file);
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('once_key', "work:{$copy->key}")->sole();
    expect($letter->recipient)->toBe('lucian@harborstone.example')->and($letter->body)->toContain('One paper for Beatrix.');
    $this->get('/work/'.$copy->token())->assertOk()->assertSee('Lucian', false)->assertSee('Purchase agreement')->assertDontSee('$412,500');
    $this->get('/work/'.$copy->token().'/papers/'.$copy->papers[0]->key)->assertOk();
    $this->get('/work/'.$copy->token().'/papers/'.$copy->papers[0]->key.'?text=1')->assertOk()->assertSee('Buyer');
    $this->get('/work/'.$copy->token().'/papers/'.$copy->papers[0]->key.'/paper.pdf')->assertOk();
    $round = asksTheirClient($copy);
    // The form's places of the seller, and of nobody else.
    expect($round->signers->pluck('seat')->all())->toBe(['seller.1'])
        ->and($round->marks->pluck('seat')->unique()->values()->all())->toBe(['seller.1'])
        ->and($round->marks->count())->toBeGreaterThan(2);
    asGuest($copy)->get("/rounds/{$round->key}")->assertOk()->assertSee('Your documents')->assertDontSee('required blanks empty');
    asGuest($copy)->post("/rounds/{$round->key}/send")->assertSessionMissing('refused');
    asGuest($copy)->get("/rounds/{$round->key}")->assertOk()->assertSee('Beatrix Palomar');
    $this->seeAll();
    $this->signs($round->refresh(), 'seller.1');
    $this->work();
    $this->seeAll();
    $one = $copy->papers()->sole();
    expect($one->waits())->toBeTrue()->and($one->returned_seats)->toBe(['seller.1']);
    expect(Letter::query()->where('once_key', "work-back:{$round->key}")->sole()->recipient)->toBe('tomas@quillmark.example');
    // The sender of the round is told on their own link, not on a page that asks for a password.
    $finished = Letter::query()->where('once_key', "finished:{$round->key}:sender")->sole();
    expect($finished->recipient)->toBe('lucian@harborstone.example')->and($finished->action)->toBe("work {$copy->key}");
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Came back signed')->assertSee('Lucian Ferro of Harborstone Homes');
    $at = "/working-copies/{$copy->key}/papers/{$one->key}";
    $pdf = $this->as('tomas')->get("{$at}/signed.pdf")->assertOk()->getContent();
    expect(hash('sha256', (string) $pdf))->toBe($one->returned_sha256);
    $before = $this->paper($file, 'M-201')->versions()->count();
    $this->as('tomas')->post("{$at}/take")->assertRedirect("/files/{$file->key}");
    $this->as('tomas')->post("{$at}/take")->assertSessionHas('reason', SigningRefusal::NothingCameBack->value);
    $this->seeAll();
    $paper = $this->paper($file, 'M-201')->load('latest');
    expect($paper->state)->toBe(PaperState::Signed)
        ->and($paper->versions()->count())->toBe($before + 1)
        ->and($paper->latest->sha256)->toBe($one->returned_sha256);
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee('Came back signed')->assertSee('Beatrix');
    $this->as('tomas')->get("/working-copies/{$copy->key}")->assertSee('came back and was taken');
    $this->as('tomas')->get("/files/{$file->key}/history")->assertSee('taken as the next version');
});

it('gives and begins once, however often the button is pressed', function () {
    $file = $this->aFile();
    give($file);
    give($file);
    $this->seeAll();
    $copy = WorkingCopy::query()->with('papers')->sole();
    expect(Letter::query()->where('action', "work {$copy->key}")->count())->toBe(1);
    $round = asksTheirClient($copy);
    expect(asksTheirClient($copy)->id)->toBe($round->id)
        ->and(Round::query()->where('deal_file_id', $copy->guest_file_id)->count())->toBe(1);
});

it('writes no letter to a guest without an address', function () {
    $file = $this->aFile();
    give($file, ['email' => '']);
    $this->seeAll();
    $copy = WorkingCopy::query()->with('papers')->sole();
    $round = asksTheirClient($copy);
    asGuest($copy)->post("/rounds/{$round->key}/send");
    $this->seeAll();
    $this->signs($round->refresh(), 'seller.1');
    $this->work();
    $this->seeAll();
    expect(Letter::query()->where('recipient', 'like', '%guest.invalid')->count())->toBe(0)
        ->and($copy->papers()->sole()->waits())->toBeTrue();
});

it('leaves what comes back where somebody says so, and the paper as it was', function () {
    $file = $this->aFile();
    $copy = workingCopy($file);
    $round = asksTheirClient($copy);
    asGuest($copy)->post("/rounds/{$round->key}/send");
    $this->seeAll();
    $this->signs($round->refresh(), 'seller.1');
    $this->work();
    $this->as('tomas')->post("/working-copies/{$copy->key}/papers/{$copy->papers[0]->key}/leave")->assertSessionMissing('refused');
    $this->seeAll();
    expect($this->paper($file, 'M-201')->state)->toBe(PaperState::Draft)->and($copy->papers()->sole()->settled)->toBe('left');
});

it('tells on Today what came back, and does not take it over a paper that is out', function () {
    $file = $this->aFile();
    $copy = workingCopy($file);
    $round = asksTheirClient($copy);
    asGuest($copy)->post("/rounds/{$round->key}/send");
    $this->seeAll();
    $this->signs($round->refresh(), 'seller.1');
    $this->work();
    $this->as('tomas')->get('/')->assertSee('Lucian Ferro signed');
    $this->as('dario')->get('/')->assertDontSee('Lucian Ferro signed');
    $this->seeAll();
    $paper = $this->paper($file, 'M-201');
    $paper->moveTo(PaperState::Out);
    $before = $paper->versions()->count();
    $at = "/working-copies/{$copy->key}/papers/{$copy->papers[0]->key}";
    $this->as('tomas')->post("{$at}/take")->assertSessionHas('refused');
    $this->seeAll();
    expect($paper->versions()->count())->toBe($before)->and($copy->papers()->sole()->waits())->toBeTrue();
});

it('lets a guest reach their own desk and nothing else', function () {
    $file = $this->aFile();
    $ours = $this->aRound($file);
    $copy = workingCopy($file);
    $round = asksTheirClient($copy);
    $places = [
        ...placesIn($this->aFile()),
        '{file}' => $file->key,
        '{round}' => $ours->key,
        '{paper}' => $this->paper($file, 'M-102')->key,
    ];
    $wrong = [];
    foreach (guardedRoutes() as $name => [$method, $path, $data]) {
        $path = strtr($path, $places);
        $answer = asGuest($copy)->call($method, $path, $data);
        $led = $answer->getStatusCode() === 302 && $answer->headers->get('Location') === $copy->link();
        $answer->getStatusCode() === 404 || ($led && $method === 'GET') || ($wrong[] = "{$name}: {$answer->getStatusCode()}");
    }
    expect($wrong)->toBe([]);
    foreach (['/', '/files', '/open', '/me', '/office', '/find?q=mill', '/contacts.vcf', '/files.csv', '/tasks', '/kits'] as $path) {
        asGuest($copy)->get($path)->assertRedirect($copy->link());
    }
    asGuest($copy)->post('/stencils')->assertStatus(405);
    asGuest($copy)->post('/sign-out')->assertRedirect($copy->link());
    $this->seeAll();
    $guest = User::query()->findOrFail($copy->guest_id);
    // Nor are they somebody who works here, wherever those are listed.
    foreach (['/office', '/', '/tasks'] as $path) {
        $this->as('fenna')->get($path)->assertOk()->assertDontSee('Lucian Ferro');
    }
    $this->as('fenna')->get("/people/{$guest->key}")->assertNotFound();
    asGuest($copy)->get("/rounds/{$round->key}")->assertOk();
});

it('draws the same line around a guest in the database, by itself', function () {
    $file = $this->aFile();
    $copy = workingCopy($file);
    asksTheirClient($copy);
    $this->seeAll();
    $guest = User::query()->findOrFail($copy->guest_id);
    $files = DealFile::query()->with('members')->get();
    Sight::ofPerson($guest);
    expect(DB::table('deal_files')->pluck('id')->all())->toBe([$copy->guest_file_id])
        ->and(DB::table('users')->pluck('id')->all())->toBe([$guest->id])
        ->and($files->filter(static fn (DealFile $one) => Reach::allows($guest, $one))->pluck('id')->all())->toBe([$copy->guest_file_id]);
    foreach (['contacts', 'kits', 'stencils', 'saved_views', 'inbound_items', 'imports', 'office_roles', 'office_rules'] as $table) {
        expect(DB::table($table)->count())->toBe(0, $table);
    }
    foreach (['papers', 'parties', 'facts', 'history', 'rounds', 'letters', 'tasks', 'requirements', 'commissions'] as $table) {
        expect(DB::table($table)->where('deal_file_id', '<>', $copy->guest_file_id)->count())->toBe(0, $table);
    }
    // And around the guest's file: not even the broker of the office looks into it.
    foreach (['tomas', 'dario', 'wendell', 'priya'] as $who) {
        $this->seeAll();
        Sight::ofPerson($this->people[$who]->refresh());
        expect(DB::table('deal_files')->where('id', $copy->guest_file_id)->exists())->toBeFalse($who)
            ->and(DB::table('party_contacts')->where('email', 'beatrix@palomar.example')->exists())->toBeFalse($who);
    }
    $guestFile = $files->firstWhere('id', $copy->guest_file_id);
    expect(Reach::allows($this->people['dario'], $guestFile))->toBeFalse();
    // Nobody signs in as a guest.
    expect(DB::select('SELECT * FROM user_by_address(?)', [$guest->email]))->toBe([]);
});

it('ends with its last day or when it is ended, also for a guest who is in', function () {
    $file = $this->aFile();
    $copy = workingCopy($file);
    $round = asksTheirClient($copy);
    $this->get('/work/'.substr($copy->token(), 0, -2).'xx')->assertNotFound();
    $this->seeAll();
    $this->as('caleb')->post("/working-copies/{$copy->key}/end")->assertNotFound();
    $this->as('tomas')->post("/working-copies/{$copy->key}/end")->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$file->key}/history")->assertSee('was ended');
    asGuest($copy)->get("/rounds/{$round->key}")->assertRedirect($copy->link());
    $this->get('/work/'.$copy->token())->assertStatus(410)->assertSee('This link has ended');
    $this->post('/work/'.$copy->token().'/rounds', ['clients' => [['name' => 'X', 'email' => '']]])->assertStatus(410);
    $this->seeAll();
    $other = $this->aFile();
    $late = workingCopy($other);
    $this->travel(11)->days();
    $this->get('/work/'.$late->token())->assertStatus(410)->assertSee('has passed');
});

it('is not opened over somebody who works here', function () {
    $copy = workingCopy($this->aFile());
    $this->as('wendell')
        ->post('/work/'.$copy->token().'/rounds', [
            'papers' => $copy->papers->pluck('key')->all(),
            'clients' => [['name' => 'B', 'email' => '']],
        ])
        ->assertSessionHas('reason', SigningRefusal::OtherSignedIn->value);
    expect(Auth::id())->toBe($this->people['wendell']->id);
});

it('says what is missing, and keeps what was typed', function () {
    $file = $this->aFile();
    give($file, ['name' => ' '])->assertSessionHas('reason', SigningRefusal::NoAgentNamed->value);
    give($file, ['last_day' => $this->day(-2)])->assertSessionHas('reason', SigningRefusal::CopyEndsInThePast->value);
    give($file, ['last_day' => $this->day(WorkingCopyRules::FARTHEST + 1)])
        ->assertSessionHas('reason', SigningRefusal::CopyOpenTooLong->value);
    give($file, ['last_day' => 'some day'])->assertSessionHas('refused');
    give($file, ['email' => 'lucian'])->assertSessionHasErrors('email');
    $expected = $file->papers()->where('state', PaperState::Expected)->firstOrFail();
    give($file, ['papers' => [$expected->key]])->assertSessionHas('reason', PaperRefusal::NothingToCopy->value);
    $this->aRound($file, ['M-201']);
    give($file)->assertSessionHas('reason', PaperRefusal::IsOut->value);
    $this->seeAll();
    expect(WorkingCopy::query()->count())->toBe(0);
    $other = $this->aFile();
    $this->seeAll();
    $other->update(['represents' => Representation::Both]);
    give($other)->assertSessionHas('reason', SigningRefusal::NoOtherSide->value);
    $copy = workingCopy($third = $this->aFile());
    $post = fn (array $with) => $this->post('/work/'.$copy->token().'/rounds', $with);
    Auth::forgetGuards();
    $post(['papers' => $copy->papers->pluck('key')->all(), 'clients' => [['name' => '', 'email' => 'b@c.example']]])
        ->assertSessionHas('reason', SigningRefusal::NoClientNamed->value);
    Auth::forgetGuards();
    $post(['clients' => [['name' => 'Beatrix', 'email' => '']]])->assertSessionHas('reason', SigningRefusal::NoPapers->value);
    Auth::forgetGuards();
    $post(['papers' => 'x', 'clients' => 'y'])->assertSessionHasErrors();
    $this->as('tomas')->get("/papers/{$this->paper($third, 'M-201')->key}/who")->assertSee('Lucian Ferro of Harborstone Homes');
});
