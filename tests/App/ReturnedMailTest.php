<?php

declare(strict_types=1);

use App\Models\InboundItem;
use App\Models\Letter;
use Illuminate\Support\Facades\DB;

/** A report that a message could not be delivered, as mail systems write them. */
function deliveryReport(string $messageId, string $action = 'failed', string $status = '5.1.1'): string
{
    return str_replace("\n", "\r\n", <<<MAIL
        From: Mail Delivery System <mailer-daemon@mx.example>
        To: <unanimus@quillmark.example>
        Message-ID: <report-{$status}@mx.example>
        Subject: Undelivered Mail Returned to Sender
        Content-Type: multipart/report; report-type=delivery-status;
         boundary="=_b1"
        MIME-Version: 1.0

        --=_b1
        Content-Type: text/plain; charset=us-ascii

        I am sorry to tell you that your message could not be delivered.

        --=_b1
        Content-Type: message/delivery-status

        Reporting-MTA: dns; mx.example
        Arrival-Date: Fri, 27 Nov 2026 17:31:00 -0500

        Final-Recipient: rfc822; sunniva@eide.example
        Action: {$action}
        Status: {$status}
        Diagnostic-Code: smtp; 550 5.1.1 <sunniva@eide.example>:
         user unknown

        --=_b1
        Content-Type: text/rfc822-headers

        From: Quillmark Realty <unanimus@quillmark.example>
        Subject: Please sign
        Message-ID:
         <{$messageId}>

        --=_b1--
        MAIL);
}

function arrives(string $raw): void
{
    config(['unanimus.intake.token' => 'own-token']);
    test()->call('POST', '/intake/mail', server: ['HTTP_AUTHORIZATION' => 'Bearer own-token'], content: $raw)->assertCreated();
    test()->seeAll();
}

it('finds the round of an email that came back, tells the sender once, and shows it where they sign', function () {
    $round = $this->aRound($this->aFile());
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('recipient', 'sunniva@eide.example')->sole();
    $id = hash('sha256', $letter->once_key).'@unanimus.example';
    arrives(deliveryReport($id, 'delayed', '4.4.1'));
    expect($letter->refresh()->returned_at)->toBeNull()->and(InboundItem::query()->count())->toBe(1);
    arrives(deliveryReport($id));
    arrives(deliveryReport($id));
    expect($letter->refresh()->returned_because)
        ->toBe('there is no such mailbox')
        ->and(InboundItem::query()->count())
        ->toBe(1)
        ->and(lettersTo('tomas@quillmark.example'))
        ->toBe(['An email to Sunniva Eide came back']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertSee('it came back, there is no such mailbox');
    $this->seeAll();
    // The corrected address is written to anew, and nothing is said of the old one any more.
    $signer = $this->signer($round, 'buyer.1');
    $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}", ['email' => 'sunniva@new.example']);
    $this->as('tomas')->get("/rounds/{$round->key}")->assertDontSee('it came back');
});

it('puts on Today who was not reached, until the address is another', function () {
    $round = $this->aRound($this->aFile());
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('recipient', 'sunniva@eide.example')->sole();
    $this->as('tomas')->get('/')->assertSee('has not opened')->assertDontSee('Email did not reach');
    arrives(deliveryReport(hash('sha256', $letter->once_key).'@unanimus.example'));
    $page = $this->as('tomas')->get('/')->assertSee('Email did not reach Sunniva Eide')->getContent();
    expect(preg_match('/Sunniva Eide<[^>]*>\s*<[^>]*>has not opened/', $page))->toBe(0);
    $this->as('ines')->get('/')->assertDontSee('Email did not reach');
    $this->seeAll();
    $signer = $this->signer($round, 'buyer.1');
    $this->as('tomas')->put("/rounds/{$round->key}/signers/{$signer->key}", ['email' => 'sunniva@new.example']);
    $this->as('tomas')->get('/')->assertDontSee('Email did not reach');
});

it('tells whoever asked a client to fill in that the email came back, once, and shows it at the request', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $this->as('tomas')
        ->post("/files/{$file->key}/fill-requests", ['to' => ['buyer.1'], 'papers' => [$paper->key], 'last_day' => '+7'])
        ->assertSessionHas('told');
    $this->work();
    $this->seeAll();
    $letter = Letter::query()->where('recipient', 'sunniva@eide.example')->sole();
    $id = hash('sha256', $letter->once_key).'@unanimus.example';
    arrives(deliveryReport($id));
    arrives(deliveryReport($id));
    expect(lettersTo('tomas@quillmark.example'))->toBe(['An email to Sunniva Eide came back']);
    $this->as('tomas')->get("/files/{$file->key}/fill-requests")->assertSee('it came back, there is no such mailbox');
    $this->as('tomas')->get('/')->assertSee('Email did not reach Sunniva Eide');
});

it('leaves a report of somebody else’s email in the inbox', function () {
    $this->aRound($this->aFile());
    arrives(deliveryReport(hash('sha256', 'not ours').'@elsewhere.example'));
    expect(InboundItem::query()->sole()->subject)
        ->toBe('Undelivered Mail Returned to Sender')
        ->and(DB::table('letters')->whereNotNull('returned_at')->count())
        ->toBe(0);
});
