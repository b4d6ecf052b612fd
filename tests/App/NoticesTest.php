<?php

declare(strict_types=1);

use App\Models\Notice;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Notices\NoticeKind;
use Unanimus\Notices\NoticeRefusal;

/** What the minute does. */
function sweepNotices(): void
{
    Artisan::call('notices:sweep');
    test()->seeAll();
}

/** Emails put for somebody whose subject has that in it. */
function emailsTo(string $who, string $about): int
{
    test()->seeAll();

    return DB::table('letters')->where('recipient', test()->people[$who]->email)->where('subject', 'ilike', "%{$about}%")->count();
}

/** @param  array<string, mixed>  $more */
function wants(string $who, array $choices, array $more = []): void
{
    test()->as($who)->put('/notices/settings', ['choices' => $choices, 'hour' => '8', 'days' => ['1', '2', '3', '4', '5', '6', '7'],
        ...$more])
        ->assertSessionHas('told');
    Auth::forgetGuards();
}

/** A signer asks something. */
function asksSomething(Tests\Support\AppCase $test, App\Models\Round $round, string $once): void
{
    $link = '/sign/'.$test->signer($round, 'buyer.1')->token();
    Auth::forgetGuards();
    $test->post("{$link}/ask", ['question' => 'Who pays the survey?', 'once' => $once])->assertSessionHas('told');
}

it('tells of a question at once, in the digest, only here, or not at all, as each wants', function (string $choice, int $emails,
    int $notices) {
    $round = $this->aRound($this->aFile());
    wants('tomas', ['question' => $choice]);
    asksSomething($this, $round, 'once-1');
    expect(emailsTo('tomas', 'question'))->toBe($emails);
    expect(Notice::query()->where('user_id', $this->people['tomas']->id)->where('kind', NoticeKind::Question)->count())->toBe($notices);
})->with([['at_once', 1, 1], ['digest', 0, 1], ['in_app', 0, 1], ['off', 0, 0]]);

it('mails at the end of quiet hours what came while it was quiet, once', function () {
    $round = $this->aRound($this->aFile());
    wants('tomas', ['question' => 'at_once'], ['quiet_from' => '21', 'quiet_until' => '7']);
    $this->travelTo(now('America/New_York')->setTime(23, 10));
    asksSomething($this, $round, 'once-1');
    sweepNotices();
    expect(emailsTo('tomas', 'question'))->toBe(0);
    $this->travelTo(now('America/New_York')->addDay()->setTime(7, 1));
    sweepNotices();
    sweepNotices();
    expect(emailsTo('tomas', 'question'))->toBe(1);
    $this->travelBack();
});

it('tells who serves a file what others did there, and nobody what they did themselves', function () {
    $this->seeAll();
    sweepNotices();
    $file = $this->aFile();
    $round = $this->aRound($file);
    $this->signs($round, 'buyer.1');
    sweepNotices();
    sweepNotices();
    $signed = Notice::query()->where('kind', NoticeKind::Signed)->with('user')->get();
    expect($signed->pluck('user.name')->sort()->values()->all())->toBe(['Tomás Reyes-Whitlock', 'Wendell Achterberg'])
        ->and($signed->first()->subject)->toContain('14 Lanternfish Lane');
    // A task is told to whom it was given, and not to who gave it.
    $this->as('tomas')->post("/files/{$file->key}/tasks", ['title' => 'Order the survey']);
    $this->seeAll();
    $task = DB::table('tasks')->where('title', 'Order the survey')->value('key');
    $this->as('tomas')->post('/tasks', ['tasks' => [$task], 'do' => 'give', 'to' => $this->people['wendell']->key])
        ->assertSessionHas('told');
    sweepNotices();
    expect(Notice::query()->where('kind', NoticeKind::Task)->with('user')->get()->pluck('user.name')->all())->toBe(['Wendell Achterberg']);
});

it('keeps one side’s affairs from the other’s people', function () {
    $this->seeAll();
    sweepNotices();
    $file = bothSides();
    $this->seeAll();
    $sides = DB::table('file_members')->where('deal_file_id', $file->id)->pluck('side', 'user_id');
    [$one] = [$sides->filter()->first()];
    App\History\History::add($file->brokerage_id, $file->id, 'Answer came in', ['from' => 'x', 'subject' => 'Ours'],
        Unanimus\Files\SeenBy::side(Unanimus\Parties\Side::from($one)));
    sweepNotices();
    $told = Notice::query()->where('kind', NoticeKind::Answer)->pluck('user_id');
    expect($told)->not->toBeEmpty();
    foreach ($told as $user) {
        expect($sides[$user] === null || $sides[$user] === $one)->toBeTrue();
    }
    expect($told)->not->toContain($sides->filter(fn (?string $side) => $side !== null && $side !== $one)->keys()->first());
});

it('sends one digest a day, what is late first, and none when there is nothing to say', function () {
    sweepNotices();
    DB::table('users')->update(['digest_at' => null]);
    $round = $this->aRound($this->aFile());
    wants('tomas', ['question' => 'digest']);
    asksSomething($this, $round, 'once-1');
    $this->travelTo(now('America/New_York')->addDay()->setTime(7, 59));
    sweepNotices();
    expect(emailsTo('tomas', 'Your day'))->toBe(0);
    $this->travelTo(now('America/New_York')->setTime(8, 1));
    sweepNotices();
    sweepNotices();
    expect(emailsTo('tomas', 'Your day'))->toBe(1)->and(emailsTo('caleb', 'Your day'))->toBe(0);
    $letter = DB::table('letters')->where('recipient', $this->people['tomas']->email)->where('subject', 'like', 'Your day%')->first();
    expect($letter->body)->toContain('New:')->toContain('14 Lanternfish Lane, Tidewick: Question');
    $this->travelTo(now('America/New_York')->setTime(17, 0));
    sweepNotices();
    expect(emailsTo('tomas', 'Your day'))->toBe(1);
    // The next day there is nothing new.
    expect(Notice::query()->where('choice', 'digest')->whereNull('mailed_at')->count())->toBe(0);
    $this->travelBack();
});

it('mutes one file, and says on the file that it is', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    $this->as('tomas')->post("/files/{$file->key}/mute", ['muted' => '1'])->assertSessionHas('told');
    asksSomething($this, $round, 'once-1');
    expect(emailsTo('tomas', 'question'))->toBe(0);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee('Turn emails about this file back on');
    $this->as('tomas')->get('/notices/settings')->assertSee('Muted files');
    $this->as('tomas')->post("/files/{$file->key}/mute", ['muted' => '0']);
    asksSomething($this, $round, 'once-2');
    expect(emailsTo('tomas', 'question'))->toBe(1);
});

it('counts what is new for oneself alone, and opens it where it leads', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    asksSomething($this, $round, 'once-1');
    $this->as('caleb')->get('/notices/count')->assertOk()->assertSee('nothing new');
    $this->as('tomas')->get('/notices/count')->assertSee('1')->assertSee('new');
    $this->as('tomas')->get('/notices')->assertSee('Lanternfish');
    $this->seeAll();
    $notice = Notice::query()->where('user_id', $this->people['tomas']->id)->sole();
    $this->as('caleb')->post("/notices/{$notice->key}")->assertNotFound();
    $this->as('tomas')->post("/notices/{$notice->key}")->assertRedirect("/rounds/{$round->key}");
    $this->as('tomas')->get('/notices/count')->assertSee('nothing new');
    asksSomething($this, $round, 'once-2');
    $this->as('tomas')->post('/notices/seen')->assertSessionHas('told');
    $this->as('tomas')->get('/notices/count')->assertSee('nothing new');
    // The database shows nobody another’s.
    $seen = DB::transaction(function () {
        App\Models\Sight::ofPerson($this->people['caleb']);

        return DB::table('notices')->count();
    });
    expect($seen)->toBe(0);
});

it('refuses settings that cannot be, and keeps what was chosen', function () {
    wants('tomas', ['signed' => 'off']);
    $this->as('tomas')->put('/notices/settings', ['choices' => ['signed' => 'digest'], 'days' => [], 'hour' => '8'])
        ->assertSessionHas('reason', NoticeRefusal::NoDay->value);
    $this->as('tomas')->put('/notices/settings', ['choices' => ['signed' => 'loudly'], 'hour' => '8'])->assertSessionHasErrors();
    $this->seeAll();
    expect(User::query()->findOrFail($this->people['tomas']->id)->noticeSettings()->choices['signed']->value)->toBe('off');
});

it('tells hundreds of entries at once without telling any twice', function () {
    sweepNotices();
    $file = $this->aFile();
    foreach (range(1, 300) as $n) {
        App\History\History::add($file->brokerage_id, $file->id, 'Answer came in', ['from' => 'x', 'subject' => "No. {$n}"],
            Unanimus\Files\SeenBy::everyone());
    }
    foreach ([1, 2, 3] as $again) {
        sweepNotices();
    }
    expect(Notice::query()->where('kind', NoticeKind::Answer)->count())->toBe(600);
});
