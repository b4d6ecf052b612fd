<?php

declare(strict_types=1);

use App\Mail\Addressee;
use App\Mail\Jobs\SendLetter;
use App\Mail\Post;
use App\Mail\Wording;
use App\Signing\Jobs\SealRound;
use App\Work\Breaker;
use App\Work\ServiceDown;
use App\Work\Work;
use App\Work\WorkStopped;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Symfony\Component\Mailer\Exception\TransportException;
use Symfony\Component\Mailer\Exception\UnexpectedResponseException;
use Symfony\Component\Mailer\SentMessage;
use Symfony\Component\Mailer\Transport\AbstractTransport;
use Tests\Support\OpensslStamps;
use Unanimus\Evidence\StampUnavailable;
use Unanimus\Evidence\TimeStamps;

it('seals later when the time stamp cannot be had: one job however often it is looked after, with letters going on meanwhile', function () {
    $works = false;
    $this->app->bind(TimeStamps::class, function () use (&$works) {
        return $works ? new OpensslStamps((string) config('unanimus.authority')) : new class implements TimeStamps
        {
            public function stamp(string $digest): string
            {
                throw new StampUnavailable('The time-stamping authority does not answer.');
            }
        };
    });
    $round = $this->aRound($this->aFile());
    $this->work();
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
        $this->work();
    }
    for ($sweep = 0; $sweep < 20; $sweep++) {
        Artisan::call('rounds:sweep');
        Artisan::call('work:sweep');
        $this->seeAll();
    }
    expect(DB::table('jobs')->where('queue', SealRound::KIND)->count())->toBe(1)
        ->and(DB::table('letters')->whereNull('sent_at')->count())->toBe(0)
        ->and(SealRound::waiting($round->id)?->sentence('Sealing', 'America/New_York'))->toContain('waits for the '.
            'time stamp')->toContain('next try');
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('waits for the time stamp')->assertSee('Try again now');
    $this->as('tomas')->get("/files/{$round->file->key}")->assertSee('Sealing waits for the time stamp')->assertSee('Try again now');
    $this->get('/up')->assertSee('time stamp');
    $this->seeAll();
    $works = true;
    Breaker::answered('the time stamp');
    $this->as('priya')->post("/rounds/{$round->key}/try-again")->assertNotFound();
    foreach (range(1, 5) as $press) {
        $this->as('tomas')->post("/rounds/{$round->key}/try-again")->assertSessionHas('told');
    }
    $this->work();
    $sets = DB::table('sealed_sets')->where('round_id', $round->id)->whereNull('round_paper_id')->count();
    expect($round->refresh()->sealedSet)->not->toBeNull()->and($sets)->toBe(1)
        ->and(SealRound::waiting($round->id))->toBeNull()->and(DB::table('pending_work')->where('kind', SealRound::KIND)->count())->toBe(0);
});

it('asks a service that fails again and again more and more rarely, and others meanwhile as ever', function () {
    foreach (range(1, 3) as $try) {
        Breaker::failed('the mail server', 'refused');
    }
    $until = Breaker::openUntil('the mail server');
    expect($until?->isFuture())->toBeTrue()->and(Breaker::openUntil('the time stamp'))->toBeNull();
    Breaker::failed('the mail server', 'refused');
    expect(Breaker::openUntil('the mail server')?->gt($until))->toBeTrue();
    Breaker::answered('the mail server');
    expect(Breaker::openUntil('the mail server'))->toBeNull();
});

it('begins work once while it waits, and again when its worker was killed', function () {
    $brokerage = $this->people['tomas']->brokerage_id;
    DB::table('jobs')->delete();
    foreach (range(1, 50) as $time) {
        SendLetter::begin($brokerage, 424242);
    }
    expect(DB::table('jobs')->count())->toBe(1);
    DB::table('pending_work')->where('thing', 424242)->update(['claimed_until' => now()->subMinute()]);
    expect(Work::sweep($brokerage))->toBe(1);
    $this->seeAll();
    Work::sweep($brokerage);
    expect(DB::table('jobs')->count())->toBe(2);
});

it('takes what a killed worker held up again by when its own worker would have stopped it, where that is sooner', function () {
    $brokerage = $this->people['tomas']->brokerage_id;
    $work = new class($brokerage, 8, 1) extends Work
    {
        public const KIND = 'killed';

        protected const RUNS = 2;

        protected function work(): void
        {
            // As it stands when the machine takes its worker away.
            throw new WorkStopped((string) DB::table('pending_work')->where('kind', self::KIND)->value('claimed_until'));
        }
    };
    DB::table('pending_work')->insert(['kind' => 'killed', 'thing' => 8, 'brokerage_id' => $brokerage, 'job' => $work::class,
        'claimed_until' => now()->addMinutes(10), 'ticket' => 1]);
    $work->handle();
    $this->seeAll();
    $until = Carbon::parse((string) DB::table('pending_work')->where('kind', 'killed')->value('fault'));
    expect($until->gt(now()->addSeconds(60)))->toBeTrue()->and($until->lt(now()->addSeconds(180)))->toBeTrue();
});

it('leaves one job that counts, however often a person asks for another try during an outage', function () {
    $down = new class($this->people['tomas']->brokerage_id, 7, 1) extends Work
    {
        public const KIND = 'trial';

        protected const SERVICE = 'a service for trial';

        public static int $tried = 0;

        protected function work(): void
        {
            self::$tried++;
            throw new ServiceDown('a service for trial');
        }
    };
    Queue::fake();
    $down::begin($this->people['tomas']->brokerage_id, 7);
    foreach (range(1, 6) as $press) {
        $down::again($this->people['tomas']->brokerage_id, 7);
    }
    $down->handle();
    expect($down::$tried)->toBe(0, 'a job whose ticket is spent went to work');
    $newest = DB::table('pending_work')->where('kind', 'trial')->value('ticket');
    $job = new ($down::class)($this->people['tomas']->brokerage_id, 7, (int) $newest);
    $job->handle();
    $job->handle();
    $this->seeAll();
    expect($down::$tried)
        ->toBe(1)
        ->and(DB::table('pending_work')->where('kind', 'trial')->value('tries'))
        ->toBe(1)
        ->and((int) DB::table('pending_work')->where('kind', 'trial')->value('ticket'))
        ->toBe($newest + 1);
});

it('stops a letter that the mail server refuses for good, and holds up no other by it', function () {
    $letter = fn (string $to) => Post::toColleague(
        $this->people['tomas']->brokerage_id,
        "trial:{$to}",
        new Addressee('Somebody', $to),
        Wording::of('invitation', ['by' => 'Trial']),
        '/files',
    );
    Mail::extend('picky', fn () => new class extends AbstractTransport
    {
        protected function doSend(SentMessage $message): void
        {
            str_contains(
                $message->getEnvelope()->getRecipients()[0]->getAddress(),
                'gone',
            ) && throw new UnexpectedResponseException('550 no such mailbox', 550);
        }

        public function __toString(): string
        {
            return 'picky';
        }
    });
    config(['mail.mailers.picky' => ['transport' => 'picky'], 'mail.default' => 'picky']);
    foreach (['gone1@x.example', 'gone2@x.example', 'gone3@x.example', 'gone4@x.example', 'there@x.example'] as $to) {
        $letter($to);
    }
    $this->work();
    expect(DB::table('letters')->where('recipient', 'there@x.example')->value('sent_at'))->not->toBeNull()
        ->and(DB::table('letters')->where('recipient', 'like', 'gone%')->whereNotNull('sent_at')->count())->toBe(0)
        ->and(DB::table('pending_work')->where('kind', 'letters')->where('stopped', true)->count())->toBe(4)
        ->and(Breaker::openUntil('the mail server'))->toBeNull();
});

it('tells the sender of a round that an address was refused, until another email goes out', function () {
    $round = $this->aRound($this->aFile());
    $letter = DB::table('letters')->where('action', 'signer '.$this->signer($round, 'buyer.1')->key)->value('id');
    DB::table('letters')->where('id', $letter)->update(['sent_at' => null]);
    DB::table('pending_work')->updateOrInsert(
        ['kind' => 'letters', 'thing' => $letter],
        [
            'brokerage_id' => $round->brokerage_id,
            'job' => SendLetter::class,
            'claimed_until' => now(),
            'stopped' => true,
            'fault' => 'the mail server does not accept “x@gone.example”.',
        ],
    );
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('The email did not arrive')->assertSee('x@gone.example');
    $this->as('priya')->get("/rounds/{$round->key}")->assertDontSee('x@gone.example');
});

it('says on the round and on the file that an email waits, and tries it when a person asks', function () {
    $isDown = true;
    Mail::shouldReceive('send')->andReturnUsing(function () use (&$isDown): void {
        $isDown && throw new TransportException('Connection refused');
    });
    $round = $this->aRound($this->aFile());
    foreach (range(1, 6) as $try) {
        $this->work();
        Artisan::call('work:sweep');
        $this->seeAll();
    }
    $first = $round->signers->first();
    foreach (["/rounds/{$round->key}", "/files/{$round->file->key}"] as $page) {
        $this->as('tomas')
            ->get($page)
            ->assertSee("An email to {$first->party->name} waits for the mail server, next try")
            ->assertSee('Try again now');
    }
    Breaker::failed('the mail server', 'refused');
    Breaker::failed('the mail server', 'refused');
    Breaker::failed('the mail server', 'refused');
    $isDown = false;
    $this->as('priya')->post("/rounds/{$round->key}/try-again")->assertNotFound();
    $this->as('tomas')->post("/rounds/{$round->key}/try-again")->assertSessionHas('told');
    $this->work();
    $this->seeAll();
    expect(DB::table('letters')->where('action', "signer {$first->key}")->whereNull('sent_at')->count())->toBe(0);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertDontSee('waits for the mail server');
    $this->as('tomas')->post("/rounds/{$round->key}/try-again")->assertSessionHas('refused');
});
