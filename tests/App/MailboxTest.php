<?php

declare(strict_types=1);

use App\Intake\Mailbox;
use App\Models\InboundItem;
use Illuminate\Support\Facades\DB;
use Tests\Support\Dovecot;
use Unanimus\Intake\IntakeRefusal;

it('takes what waits in a mailbox, byte for byte and once, and leaves it there', function () {
    $server = new Dovecot();
    $of = ['imap' => "imap://127.0.0.1:{$server->port}", 'imap_user' => 'papers', 'imap_password' => 'lanternfish'];
    config(['unanimus.intake' => [...config('unanimus.intake'), ...$of]]);
    $one = "From: a@b.example\r\nTo: p@q.example\r\nSubject: By IMAP\r\nMessage-ID: <i1@x>\r\n\r\nHere.\r\n";
    $server->deliver($one);
    $server->deliver(str_replace(['By IMAP', 'i1'], ['Another', 'i2'], $one).str_repeat("Line of a long letter.\r\n", 20_000));
    $this->artisan('mail:fetch')->assertSuccessful();
    $this->artisan('mail:fetch')->assertSuccessful();
    $this->seeAll();
    $items = InboundItem::query()->orderBy('id')->get();
    expect($items->pluck('subject')->all())->toBe(['By IMAP', 'Another'])
        ->and($items[0]->sha256)->toBe(hash('sha256', $one));
    $box = new Mailbox($of['imap'], 'papers', 'lanternfish');
    expect($box->waiting())->toBe([]);
    // Kept, and then killed before it was marked: it comes again and is still one.
    $server->deliver($one);
    expect($box->waiting())->toHaveCount(1);
    $this->artisan('mail:fetch')->assertSuccessful();
    $this->seeAll();
    expect(InboundItem::query()->count())->toBe(2)->and($box->waiting())->toBe([]);
    config(['unanimus.intake.imap_password' => 'wrong']);
    $this->artisan('mail:fetch')->assertFailed();
    $server->stop();
    $this->artisan('mail:fetch')->assertFailed();
});

it('fetches mail over TLS from a server that is vouched for, and from no other', function () {
    $server = new Dovecot(tls: true);
    $server->deliver("From: a@b.example\r\nTo: p@q.example\r\nSubject: By TLS\r\nMessage-ID: <t1@x>\r\n\r\nHere.\r\n");
    $of = fn (array $more) => config(['unanimus.intake' => [
        ...config('unanimus.intake'),
        'imap' => "imaps://localhost:{$server->port}",
        'imap_user' => 'papers',
        'imap_password' => 'lanternfish',
        'imap_roots' => $server->certificate,
        ...$more,
    ]]);
    // Nobody the system knows vouches for it; and it is not the server it is asked as.
    foreach ([['imap_roots' => null], ['imap' => "imaps://127.0.0.1:{$server->port}"]] as $wrong) {
        $of($wrong);
        $this->artisan('mail:fetch')->assertFailed();
    }
    $this->seeAll();
    expect(InboundItem::query()->count())->toBe(0);
    $of([]);
    $this->artisan('mail:fetch')->assertSuccessful();
    $this->seeAll();
    expect(InboundItem::query()->sole()->subject)->toBe('By TLS');
});

it('gives a person an address of their own, and an inbox with what was sent there', function () {
    $code = (string) DB::table('users')->where('id', $this->people['tomas']->id)->value('mail_code');
    $this->as('tomas')->get('/me')->assertOk()->assertSee("tomas.reyes.whitlock.{$code}@papers.quillmark.example");
    $mine = mailArrivesTo("Tomas <tomas.reyes.whitlock.{$code}@papers.quillmark.example>", 'For Tomas');
    $other = mailArrivesTo('papers@papers.quillmark.example', 'For anybody');
    expect($mine->for_user)->toBe($this->people['tomas']->id)->and($other->for_user)->toBeNull();
    $this->as('tomas')->get('/office/inbox')->assertOk()->assertSee('For Tomas')->assertDontSee('For anybody');
    $this->as('wendell')->get('/office/inbox')->assertOk()->assertSee('For Tomas')->assertSee('For anybody');
    $this->as('tomas')->post("/inbox/{$other->key}/put-away")->assertNotFound();
    $this->as('tomas')->post('/inbox/sort', ['items' => [$other->key]])->assertNotFound();
    $this->as('caleb')->post("/inbox/{$mine->key}/put-away")->assertNotFound();
    $this->as('marguerite')->get('/office/inbox')->assertForbidden();
    $this->seeAll();
    $file = $this->aFile();
    $this->as('tomas')->post("/inbox/{$mine->key}/file", ['to' => $file->name])->assertRedirect("/files/{$file->key}");
    $this->as('tomas')->post("/inbox/{$mine->key}/put-away")->assertSessionHas('reason', IntakeRefusal::SettledMeanwhile->value);
    $this->as('tomas')->post('/me/mail-address')->assertSessionHas('told');
    $this->seeAll();
    expect(mailArrivesTo("t.{$code}@papers.quillmark.example", 'To the old one')->for_user)->toBeNull();
});

it('keeps one person’s mail from another in the database, by itself', function () {
    $code = (string) DB::table('users')->where('id', $this->people['tomas']->id)->value('mail_code');
    $mine = mailArrivesTo("t.{$code}@p.example", 'For Tomas alone');
    $seen = ['tomas' => true, 'wendell' => true, 'dario' => true, 'fenna' => true, 'caleb' => false, 'marguerite' => false];
    foreach ($seen as $who => $sees) {
        App\Models\Sight::ofPerson($this->people[$who]);
        expect(DB::table('inbound_items')->where('id', $mine->id)->exists())->toBe($sees, $who);
        expect(DB::table('stacks')->whereRaw('(items->>0)::bigint = ?', [$mine->id])->exists())->toBe($sees, "{$who}, its stack");
    }
});
