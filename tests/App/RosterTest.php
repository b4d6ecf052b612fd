<?php

declare(strict_types=1);

use App\Models\Cover;
use App\Models\DealFile;
use App\Models\HeldCredential;
use App\Models\RosterCase;
use App\Models\RosterStep;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Roster\RosterRefusal;

function sweepRoster(): void
{
    expect(Artisan::call('roster:sweep'))->toBe(0, Artisan::output());
    test()->seeAll();
}

/** Tomás leaves on a day from now. */
function leaving(string $who = 'tomas', int $fromNow = 10): RosterCase
{
    $person = test()->people[$who];
    test()->as('ines')->post('/office/roster', [
        'kind' => 'leaving',
        'person' => $person->key,
        'office' => $person->officeRoles->firstOrFail()->office->key,
        'day' => test()->day($fromNow),
    ])->assertSessionHas('told');
    test()->seeAll();

    return RosterCase::query()->where('user_id', $person->id)->orderByDesc('id')->firstOrFail();
}

/** Who is a member of a file, by short name. @return list<string> */
function membersOf(DealFile $file): array
{
    test()->seeAll();
    $names = array_flip(array_map(static fn (User $one) => $one->id, test()->people));
    $found = array_map(static fn (int $id) => $names[$id], DB::table('file_members')->where('deal_file_id', $file->id)->pluck('user_id')
        ->all());
    sort($found);

    return $found;
}

it('closes access after the last day, and hands each file where it was decided', function () {
    $goes = $this->aFile(['property.street' => '1 Handover Row']);
    $round = $this->aRound($goes);
    $stays = $this->aFile(['property.street' => '2 Undecided Lane']);
    $closed = $this->aFile(['property.street' => '3 Finished Close']);
    DB::table('deal_files')->where('id', $closed->id)->update(['status' => 'closed', 'closed_on' => $this->day(-30)]);
    $this->as('tomas')->post("/files/{$goes->key}/tasks", ['title' => 'Order the survey']);
    $case = leaving();
    $this->as('ines')->get("/office/roster/{$case->key}")->assertOk()->assertSee('2 to decide')->assertSee('1 Handover Row');
    $fates = fn (array $more) => $this->as('ines')->post("/office/roster/{$case->key}/fates", ['files' => [$goes->key], 'fate' => 'move',
        ...$more]);
    $fates([])->assertSessionHas('reason', RosterRefusal::NobodyNamed->value);
    $fates(['agent' => $this->people['tomas']->key])->assertSessionHas('reason', RosterRefusal::ToThemselves->value);
    $fates(['agent' => $this->people['wendell']->key])->assertSessionHas('reason', RosterRefusal::NoAgent->value);
    $fates(['agent' => $this->people['greta']->key])->assertSessionHas('told');
    $this->as('ines')->get("/office/roster/{$case->key}")->assertSee('1 to decide')->assertSee('goes to');
    // Nothing happens before the day is over.
    sweepRoster();
    $this->as('tomas')->get("/files/{$goes->key}")->assertOk();
    $this->as('tomas')->post('/office/connections/tokens', ['name' => 'books', 'scopes' => ['files:read']]);
    $token = session('secret');
    $this->seeAll();
    $before = $this->people['tomas']->fresh();
    $goes->parties()->where(['role' => 'buyer', 'number' => 2])->update(['language' => 'es']);
    DB::table('roster_cases')->update(['day' => $this->day(-1)]);
    sweepRoster();
    sweepRoster();

    expect(membersOf($goes))->toBe(['greta', 'wendell'])->and(membersOf($stays))->toBe(['wendell'])
        // Whose a closed file was stays known.
        ->and(membersOf($closed))->toBe(['tomas', 'wendell'])
        ->and(DB::table('tasks')->where('title', 'Order the survey')->value('user_id'))->toBe($this->people['greta']->id)
        ->and(DB::table('rounds')->where('id', $round->id)->value('user_id'))->toBe($this->people['greta']->id)
        ->and($goes->parties()->where(['role' => 'agent', 'number' => 1])->value('name'))->toBe('Greta Lindholm-Osei')
        ->and(DB::table('history')->where('what', 'File handed over')->count())->toBe(1)
        ->and(DB::table('history')->where('what', 'File stays with the office')->count())->toBe(1)
        ->and(DB::table('brokerage_history')->where('what', 'Left the brokerage')->count())->toBe(1);
    $after = $this->people['tomas']->fresh();
    expect($after->active)->toBeFalse()
        ->and($after->calendar_version)->toBeGreaterThan($before->calendar_version)
        ->and($after->mail_code)->not->toBe($before->mail_code)
        ->and(DB::table('sessions')->where('user_id', $after->id)->count())->toBe(0);
    Auth::forgetGuards();
    $this->getJson('/api/v1/files', ['Authorization' => "Bearer {$token}"])->assertUnauthorized();
    Auth::forgetGuards();
    $this->post('/sign-in', ['email' => $after->email, 'password' => 'lanternfish'])->assertSessionHasErrors();
    expect(lettersTo($this->people['greta']->email))->toContain('You’re taking over files from Tomás Reyes-Whitlock')
        ->and(lettersTo($this->people['ines']->email))->toContain('Tomás Reyes-Whitlock has left');
    $this->as('greta')->get("/files/{$goes->key}/history")->assertOk()->assertSee('handed over from Tomás');
    // To those outside an email is ready, for whoever goes on to send; nothing went out by itself.
    $this->seeAll();
    [$message, $spanish] = DB::table('messages')->where('deal_file_id', $goes->id)->orderBy('id')->get()->all();
    $told = fn (object $one) => array_column(json_decode((string) $one->recipients, true), 'address');
    expect($message->state)->toBe('draft')->and($message->user_id)->toBe($this->people['greta']->id)
        ->and((bool) $message->apart)->toBeTrue()->and($told($message))->toBe(['sunniva@eide.example'])
        ->and($message->body)->toContain('Tomás Reyes-Whitlock no longer works here')->not->toContain(':file')
        // One email for each language that they read.
        ->and($told($spanish))->toBe(['jose@eide.example'])->and($spanish->state)->toBe('draft')
        ->and($spanish->body)->toContain('Tomás Reyes-Whitlock ya no trabaja aquí')->not->toContain(':file')
        ->and(DB::table('messages')->where('deal_file_id', $goes->id)->count())->toBe(2)
        ->and(DB::table('messages')->where('deal_file_id', $stays->id)->count())->toBe(0);
    $this->as('greta')->get("/files/{$goes->key}/messages")->assertOk()->assertSee('I am your contact now');
    // What signers are sent still leads where it led.
    $link = '/sign/'.$this->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $this->get($link)->assertOk();
});

it('changes nothing when somebody stays after all, and lets the last administrator not go', function () {
    $file = $this->aFile();
    $case = leaving();
    $this->as('ines')->post("/office/roster/{$case->key}", ['do' => 'cancel'])->assertSessionHas('told');
    $this->seeAll();
    DB::table('roster_cases')->update(['day' => $this->day(-1)]);
    sweepRoster();
    expect(membersOf($file))->toContain('tomas');
    $office = $this->people['fenna']->officeRoles->firstOrFail()->office->key;
    $this->as('fenna')->post('/office/roster', ['kind' => 'leaving', 'person' => $this->people['fenna']->key, 'office' => $office,
        'day' => $this->day(5)])->assertSessionHas('reason', RosterRefusal::LastAdministrator->value);
    // One at a time.
    leaving('greta');
    $this->as('ines')->post('/office/roster', ['kind' => 'leaving', 'person' => $this->people['greta']->key,
        'office' => $this->people['greta']->officeRoles->firstOrFail()->office->key, 'day' => $this->day(5)])
        ->assertSessionHas('reason', RosterRefusal::Already->value);
});

it('hands over eighty files at once', function () {
    $files = array_map(fn () => $this->aFile(), range(1, 3));
    $case = leaving();
    foreach (range(1, 77) as $n) {
        $id = (int) DB::scalar("SELECT nextval(pg_get_serial_sequence('deal_files', 'id'))");
        DB::table('file_members')->insert(['brokerage_id' => $case->brokerage_id, 'deal_file_id' => $id, 'user_id' => $case->user_id,
            'role' => 'agent']);
        DealFile::create(['id' => $id, 'brokerage_id' => $case->brokerage_id, 'office_id' => $case->office_id, 'name' => "{$n} Long Row",
            'opened_by' => $case->user_id]);
    }
    $keys = DealFile::query()->pluck('key')->all();
    $this->as('ines')->post("/office/roster/{$case->key}/fates", ['files' => $keys, 'fate' => 'move', 'agent' => $this->people['greta']
        ->key])
        ->assertSessionHas('told', '80 files decided.');
    $this->seeAll();
    DB::table('roster_cases')->update(['day' => $this->day(-1)]);
    sweepRoster();
    expect(DB::table('file_members')->where(['user_id' => $this->people['greta']->id, 'role' => 'agent'])->count())->toBe(80)
        ->and(DB::table('letters')->where('subject', 'like', 'You’re taking over%')->count())->toBe(1)
        ->and(DB::table('letters')->where('subject', 'like', 'You’re taking over%')->value('body'))->toContain('and 60 more');
});

it('gives each who has something to do their part, and lets nobody else do it', function () {
    $case = leaving();
    expect(lettersTo($this->people['marguerite']->email))->toContain('Tomás Reyes-Whitlock leaves: your part');
    $step = RosterStep::query()->where('by_role', 'bookkeeper')->firstOrFail();
    $this->as('marguerite')->get("/office/roster/{$case->key}")->assertOk();
    $this->as('wendell')->post("/office/roster-steps/{$step->key}", ['done' => '1'])
        ->assertSessionHas('reason', RosterRefusal::NotTheirs->value);
    foreach ([1, 2] as $press) {
        $this->as('marguerite')->post("/office/roster-steps/{$step->key}", ['done' => '1'])->assertSessionHas('told');
    }
    $this->seeAll();
    expect($step->refresh()->done_by)->toBe($this->people['marguerite']->id);
    $this->as('ines')->post("/office/roster/{$case->key}/steps", ['title' => '', 'by' => 'broker'])
        ->assertSessionHas('reason', RosterRefusal::NoTitle->value);
    $this->as('ines')->post("/office/roster/{$case->key}/steps", ['title' => 'Return the camera', 'by' => 'administrator', 'due' => '+3']);
    $this->as('ines')->get("/office/roster/{$case->key}")->assertSee('Return the camera');
    // Their papers: one file, with what is expected.
    $first = $this->as('ines')->post("/office/roster/{$case->key}", ['do' => 'papers'])->assertRedirect()->headers->get('Location');
    $again = $this->as('ines')->post("/office/roster/{$case->key}", ['do' => 'papers'])->headers->get('Location');
    expect($again)->toBe($first);
    $this->as('ines')->get((string) $first)->assertOk()->assertSee('Release of license');
});

it('keeps the roster from whoever does not run it', function () {
    $case = leaving();
    foreach (['caleb', 'tomas'] as $who) {
        $this->as($who)->post('/office/roster', ['kind' => 'leaving', 'person' => $this->people['priya']->key,
            'office' => $case->office->key, 'day' => '12/31'])->assertForbidden();
        $this->as($who)->post("/office/roster/{$case->key}/fates", ['files' => ['x'], 'fate' => 'freeze']);
        $this->as($who)->post("/office/roster/people/{$this->people['priya']->key}/credentials", ['kind' => 'license',
            'expires' => '12/31'])
            ->assertForbidden();
        $this->as($who)->put("/office/coordinators/{$case->office->key}", ['rule' => 'load'])->assertForbidden();
    }
    $this->as('caleb')->get("/office/roster/{$case->key}")->assertNotFound();
    $this->as('tomas')->get("/office/roster/{$case->key}")->assertOk()->assertDontSee('Decide selected files');
    $this->as('caleb')->get('/office/roster')->assertOk()->assertDontSee('Tomás Reyes-Whitlock</a>', false);
    $write = fn (string $who, string $sql) => fn () => DB::transaction(function () use ($who, $sql) {
        Sight::ofPerson($this->people[$who]);

        return DB::unprepared($sql);
    });
    expect($write('caleb',
        "INSERT INTO roster_fates (roster_case_id, brokerage_id, deal_file_id, fate) SELECT {$case->id}, {$case->brokerage_id}, 1,
            'freeze'"))
        ->toThrow(QueryException::class)
        ->and($write('caleb', "INSERT INTO covers (key, brokerage_id, user_id, helper_id, kind, from_on) VALUES ('x', {$case->brokerage_id},
            {$case->user_id}, {$this->people['caleb']->id}, 'assistant', now())"))->toThrow(QueryException::class);
});

it('lets an assistant into the agent’s files, into new ones too, and out again', function () {
    $file = $this->aFile();
    $share = fn (string $who, array $more = []) => $this->as($who)->post('/office/covers', ['of' => $this->people['tomas']->key,
        'helper' => $this->people['caleb']->key, 'kind' => 'assistant', ...$more]);
    $share('caleb')->assertSessionHas('reason', RosterRefusal::NotTheirs->value);
    $share('tomas', ['helper' => $this->people['tomas']->key])->assertSessionHas('reason', RosterRefusal::NoAgent->value);
    $share('tomas', ['from' => '+5', 'until' => '+2'])->assertSessionHas('reason', RosterRefusal::EndsBefore->value);
    $share('tomas')->assertSessionHas('told');
    $share('tomas')->assertSessionHas('reason', RosterRefusal::Already->value);
    $this->as('caleb')->get("/files/{$file->key}")->assertOk();
    $this->seeAll();
    $new = $this->aFile();
    expect(membersOf($new))->toBe(['caleb', 'tomas', 'wendell']);
    $this->as('caleb')->post("/files/{$new->key}/tasks", ['title' => 'Help'])->assertSessionHas('told');
    // Somebody else's files stay closed.
    $this->seeAll();
    $cover = Cover::query()->sole();
    $this->as('priya')->delete("/office/covers/{$cover->key}")->assertSessionHas('reason', RosterRefusal::NotTheirs->value);
    $this->as('tomas')->delete("/office/covers/{$cover->key}")->assertSessionHas('told');
    expect(membersOf($file))->toBe(['tomas', 'wendell']);
    $this->as('caleb')->get("/files/{$file->key}")->assertNotFound();
    $this->seeAll();
    expect(membersOf($this->aFile()))->toBe(['tomas', 'wendell'])
        ->and(DB::table('history')->where('what', 'Left the file')->count())->toBe(2);
});

it('covers somebody while they are away, from day to day', function () {
    $file = $this->aFile();
    $this->as('ines')->post('/office/covers', ['of' => $this->people['tomas']->key, 'helper' => $this->people['greta']->key,
        'kind' => 'vacation', 'from' => '+2', 'until' => '+4'])->assertSessionHas('told');
    expect(membersOf($file))->toBe(['tomas', 'wendell']);
    DB::table('covers')->update(['from_on' => $this->day(0), 'until_on' => $this->day(2)]);
    sweepRoster();
    sweepRoster();
    expect(membersOf($file))->toBe(['greta', 'tomas', 'wendell']);
    DB::table('covers')->update(['from_on' => $this->day(-3), 'until_on' => $this->day(-1)]);
    sweepRoster();
    expect(membersOf($file))->toBe(['tomas', 'wendell'])
        ->and(lettersTo($this->people['greta']->email))->toContain('You work on Tomás Reyes-Whitlock’s files');
});

it('gives new files the coordinator with the fewest, or the one named', function () {
    $office = $this->people['tomas']->officeRoles->firstOrFail()->office;
    $second = User::create(['brokerage_id' => $office->brokerage_id, 'name' => 'Aurelia Bright', 'email' => 'aurelia@quillmark.example',
        'password' => 'x']);
    $this->people['aurelia'] = $second;
    DB::table('office_roles')->insert(['brokerage_id' => $office->brokerage_id, 'user_id' => $second->id, 'office_id' => $office->id,
        'role' => 'coordinator']);
    $this->as('ines')->put("/office/coordinators/{$office->key}", ['rule' => 'nonsense'])->assertSessionHasErrors();
    $this->as('ines')->put("/office/coordinators/{$office->key}", ['rule' => 'load'])->assertSessionHas('told');
    $open = function (): DealFile {
        $this->seeAll();
        Auth::setUser($this->people['tomas']);

        return app(App\Files\Actions\OpenFile::class)($this->people['tomas']->fresh());
    };
    expect(membersOf($open()))->toBe(['aurelia', 'tomas'])->and(membersOf($open()))->toBe(['tomas', 'wendell'])
        ->and(membersOf($open()))->toBe(['aurelia', 'tomas']);
    $this->as('ines')->put("/office/coordinators/{$office->key}", ['rule' => $this->people['wendell']->key]);
    expect(membersOf($open()))->toBe(['tomas', 'wendell']);
});

it('reminds of a license that ends, both its holder and the broker, once', function () {
    $key = $this->people['tomas']->key;
    $this->as('ines')->post("/office/roster/people/{$key}/credentials", ['kind' => 'license', 'number' => 'MW-1', 'expires' => $this
        ->day(20)])
        ->assertSessionHas('told');
    foreach ([1, 2] as $again) {
        sweepRoster();
    }
    expect(array_count_values(lettersTo($this->people['tomas']->email)))->toHaveKey('License ends '.
        Unanimus\Dates\LocalDate::of($this->day(20))->long(), 1)
        ->and(DB::table('letters')->where('subject', 'like', 'License ends%')->count())->toBeGreaterThanOrEqual(2);
    // Renewed, the old one is out of the list.
    $this->as('ines')->post("/office/roster/people/{$key}/credentials", ['kind' => 'license', 'expires' => $this->day(400)]);
    $this->seeAll();
    expect(HeldCredential::query()->whereNull('dropped_at')->count())->toBe(1);
    $this->as('caleb')->get('/office/roster')->assertDontSee('Errors and omissions insurance</td>', false)->assertDontSee('MW-1');
    $this->as('tomas')->get('/office/roster')->assertSee('License');
});

it('begins with the steps and documents of the office, which those who run it change', function () {
    $this->seeAll();
    $office = $this->people['tomas']->officeRoles->firstOrFail()->office;
    $path = "/office/roster/kits/{$office->key}/leaving";
    $lines = [['title' => 'Return the lockbox', 'by' => 'administrator', 'before' => '0'],
        ['title' => '', 'by' => 'broker', 'before' => '']];
    foreach (['priya', 'wendell', 'marguerite'] as $who) {
        $this->as($who)->get($path)->assertNotFound();
        $this->as($who)->put($path, ['seen' => 0, 'lines' => $lines])->assertNotFound();
    }
    $this->as('dario')->get($path)->assertOk()->assertSee('Open files decided one by one');
    $this->as('dario')->put($path, ['seen' => 0, 'lines' => $lines, 'documents' => "Receipt of keys\n"])->assertSessionHas('told');
    $this->as('dario')->put($path, ['seen' => 0, 'lines' => $lines, 'documents' => 'Receipt of keys'])->assertSessionHas('told');
    $this->as('dario')->put($path, ['seen' => 0, 'lines' => [['title' => 'Older window', 'by' => 'broker', 'before' => '1']]])
        ->assertSessionHas('reason', RosterRefusal::KitChanged->value);
    $case = leaving();
    expect($case->steps()->pluck('title')->all())->toBe(['Return the lockbox'])
        ->and(DB::table('brokerage_history')->where('what', 'Roster steps changed')->count())->toBe(1);
    $this->as('ines')->post("/office/roster/{$case->key}", ['do' => 'papers']);
    $this->seeAll();
    expect(DB::table('papers')->where('deal_file_id', $case->refresh()->papers_file)->pluck('title')->all())->toContain('Receipt of keys');
});
