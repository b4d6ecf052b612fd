<?php

declare(strict_types=1);

use App\Models\InboundItem;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Intake\MailReader;
use Unanimus\Review\ReviewRefusal;

it('hands in a signed paper, and the broker finds it on the desk beside the page', function () {
    $file = aSignedFile();
    $requirement = requirement($file, 'Agency disclosure');
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('told');
    $this->as('ines')->get('/review')->assertSee('Agency disclosure')->assertSee('14 Lanternfish Lane');
    $this->as('dario')->get('/review')->assertSee('Agency disclosure');
    $this->as('ines')
        ->get("/review/{$requirement->key}")
        ->assertOk()
        ->assertSee('/pages/1.webp')
        ->assertSee('Accept');
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/accept")
        ->assertRedirect('/review');
    $all = $file->requirements()->count();
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee("1 of {$all} complete");
});

it('hands in nothing unsigned, expected or handed in already', function (string $title, string $told) {
    $file = aSignedFile();
    $requirement = requirement($file, $title);
    if ($title === 'Agency disclosure') {
        $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    }
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('refused', fn (string $text) => str_contains($text, $told));
})->with([['Purchase agreement', 'not signed yet'], ['Closing statement', 'has not arrived'], ['Agency disclosure', 'already submitted']]);

it('sends back with a remark pinned to a place; handing in again answers it', function () {
    $file = aSignedFile();
    $requirement = requirement($file, 'Agency disclosure');
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/send-back", ['remark' => ''])
        ->assertSessionHas('reason', ReviewRefusal::NoRemark->value);
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/send-back", [
            'remark' => 'Name the licensee.',
            'page' => '1',
            'x' => '120.5',
            'y' => '300',
        ])
        ->assertRedirect();
    $this->as('tomas')
        ->get("/papers/{$requirement->paper->key}")
        ->assertSee('Name the licensee.')
        ->assertSee('Submit to broker again');
    $this->as('tomas')->get('/')->assertSee('Answer remark');
    $this->as('tomas')
        ->post("/requirements/{$requirement->key}/submit")
        ->assertSessionHas('told');
    $this->seeAll();
    expect($requirement->refresh()->review_state->value)
        ->toBe('submitted')
        ->and($requirement->remarks()->whereNull('answered_at')->count())
        ->toBe(0);
});

it('decides only what was handed in, once', function () {
    $file = aSignedFile();
    $requirement = requirement($file, 'Agency disclosure');
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/accept")
        ->assertSessionHas('reason', ReviewRefusal::NotSubmitted->value);
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $this->as('ines')->post("/requirements/{$requirement->key}/accept");
    $this->as('ines')
        ->post("/requirements/{$requirement->key}/send-back", ['remark' => 'too late'])
        ->assertSessionHas('reason', ReviewRefusal::NotSubmitted->value);
    $this->seeAll();
    expect($requirement->refresh()->review_state->value)
        ->toBe('accepted')
        ->and(DB::table('history')->where('what', 'Accepted')->count())
        ->toBe(1);
});

it('computes the commission, to the cent, and shows how', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '395', 'fee_name' => 'Transaction fee'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertSee('$11,343.75')
        ->assertSee('$7,545.63')
        ->assertSee('$3,798.12')
        ->assertSee('equals what comes in');
});

it('proposes what the file says and computes nothing from it before someone has entered figures', function () {
    $file = $this->aFile();
    $page = fn () => $this->as('tomas')
        ->get("/files/{$file->key}/commission")
        ->assertOk();
    $page()->assertSee('No commission is entered')->assertDontSee('ties out');
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'buyer_commission', 'value' => '2.5']);
    $page()->assertSee('value="2.5"', false)->assertSee('Commission, buyer side')->assertDontSee('ties out');
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '2.5', 'agent_share' => ''])
        ->assertSessionHas('reason', CommissionRefusal::NotReckoned->value);
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '10', 'agent_share' => '100', 'fee' => '0'])
        ->assertSessionHas('told');
    $page()->assertSee('value="100"', false)->assertSee('value="10"', false)->assertSee('$41,250.00');
});

it('refuses figures that cannot be', function (array $given, string $told) {
    $file = $this->aFile();
    $response = $this->as('tomas')->put("/files/{$file->key}/commission", [
        ...['rate' => '3', 'agent_share' => '70', 'fee' => '0'],
        ...$given,
    ]);
    expect(
        $response->baseResponse->getSession()->get('refused') ?? implode(' ', $response->baseResponse->getSession()->get('errors')->all()),
    )->toContain($told);
})->with([
    [['rate' => 'three'], 'percentage'],
    [['rate' => '103'], 'percentage'],
    [['agent_share' => '-5'], 'percentage'],
    [['fee' => 'x'], 'amount'],
    [['fee' => '-5'], 'A fee cannot be negative'],
]);

it('authorizes a disbursement only when the review is complete, once, as a PDF in the file', function () {
    $file = aSignedFile(['acceptance' => '2026-11-21']);
    $this->as('ines')
        ->post("/files/{$file->key}/commission/authorize")
        ->assertSessionHas('reason', CommissionRefusal::ReviewOpen->value);
    $this->seeAll();
    foreach ($file->requirements()->get() as $requirement) {
        $this->as('ines')
            ->post("/requirements/{$requirement->key}/waive", ['reason' => 'for this test'])
            ->assertRedirect();
    }
    $this->as('dario')
        ->post("/files/{$file->key}/commission/authorize")
        ->assertSessionHas('reason', CommissionRefusal::NothingEntered->value);
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '395', 'fee_name' => 'Transaction fee'])
        ->assertSessionHas('told');
    $page = (string) $this->as('dario')->get("/files/{$file->key}/commission")->getContent();
    preg_match('/name="seen" value="(\w{64})"/', $page, $seen);
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '396', 'fee_name' => 'Transaction fee'])
        ->assertSessionHas('told');
    // A page that shows other figures than are stored now.
    $this->as('dario')
        ->post("/files/{$file->key}/commission/authorize", ['seen' => $seen[1]])
        ->assertSessionHas('reason', CommissionRefusal::OtherFigures->value);
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fee' => '395', 'fee_name' => 'Transaction fee'])
        ->assertSessionHas('told');
    $this->as('dario')
        ->post("/files/{$file->key}/commission/authorize", ['seen' => $seen[1]])
        ->assertSessionHas('told');
    $this->as('ines')
        ->post("/files/{$file->key}/commission/authorize")
        ->assertSessionHas('reason', CommissionRefusal::AlreadyAuthorized->value);
    $this->as('tomas')
        ->put("/files/{$file->key}/commission", ['rate' => '9', 'agent_share' => '99'])
        ->assertSessionHas('reason', CommissionRefusal::FiguresAreFinal->value);
    $this->seeAll();
    $paper = $file->papers()->where('title', 'Commission disbursement authorization')->firstOrFail();
    $text = textOf(app(Bytes::class)->read($paper->latest->sha256));
    expect($text)
        ->toContain('Dario Velasquez-Thorne')
        ->toContain('$11,343.75')
        ->toContain('14 Lanternfish Lane')
        ->and($file->papers()->where('title', $paper->title)->count())
        ->toBe(1);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'closed', 'sure' => '1'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertSee('Closed');
});

it('has no sheet without a price', function () {
    $file = $this->aFile(['price' => '']);
    $this->as('ines')
        ->get("/files/{$file->key}/commission")
        ->assertSee('based on the price');
    $this->as('ines')
        ->post("/files/{$file->key}/commission/authorize")
        ->assertSessionHas('reason', CommissionRefusal::ReviewOpen->value);
});

$letter = static fn (string $id = 'one') => 'From: =?UTF-8?B?'.
    base64_encode('José <jose@eide.example>').
    "?=\r\nSubject: Survey\r\nMessage-ID: <{$id}@x.example>\r\nContent-Type: multipart/mixed; boundary=\"b\"\r\n\r\n--b\r\nContent-Type: ".
        "text/plain; charset=utf-8\r\nContent-Transfer-Encoding: quoted-printable\r\n\r\nHere it is =C3=A9\r\n--b\r\nContent-Type: ".
        "application/pdf; name=\"survey.pdf\"\r\nContent-Transfer-Encoding: base64\r\n\r\n".
    base64_encode('%PDF-1.4 survey').
    "\r\n--b--\r\n";

it('takes a letter with its attachment into the inbox, once', function () use ($letter) {
    $send = fn (string $token) => $this->call(
        'POST',
        '/intake/mail',
        [],
        [],
        [],
        ['HTTP_AUTHORIZATION' => "Bearer {$token}", 'CONTENT_TYPE' => 'message/rfc822'],
        $letter(),
    );
    $send('wrong')->assertStatus(401);
    $send((string) config('unanimus.intake.token'))->assertStatus(201);
    $send((string) config('unanimus.intake.token'))->assertStatus(201);
    $this->seeAll();
    $item = InboundItem::query()->sole();
    expect($item->subject)
        ->toBe('Survey')
        ->and($item->sender)
        ->toContain('José')
        ->and($item->body)
        ->toBe('Here it is é')
        ->and($item->attachments[0]['name'])
        ->toBe('survey.pdf')
        ->and(app(Bytes::class)->read($item->attachments[0]['sha256']))
        ->toBe('%PDF-1.4 survey');
    $this->as('ines')->get('/office/inbox')->assertSee('Survey');
    $this->as('tomas')->get('/office/inbox')->assertOk()->assertDontSee('Survey');
});

it('reads letters of any shape without failing', function (string $raw) {
    $mail = MailReader::read($raw);
    expect(mb_check_encoding($mail->subject.$mail->text.$mail->sender, 'UTF-8'))->toBeTrue();
})->with([
    'empty' => [''],
    'no headers' => ['no headers'],
    'bare line ends' => ["Subject: x\n\nbody"],
    'no boundary' => ["Content-Type: multipart/mixed\r\n\r\nx"],
    'an open part' => ["Content-Type: multipart/mixed; boundary=b\r\n\r\n--b"],
    'broken encodings' => ["Subject: =?UTF-8?B?broken\r\n\r\n\xff\xfe"],
    'parts within parts' => [str_repeat("Content-Type: multipart/mixed; boundary=b\r\n\r\n--b\r\n", 40)],
]);

it('keeps who pays a fee and that it is open when the sheet is stored again, and always leaves a row free', function () {
    $file = $this->aFile();
    $path = "/files/{$file->key}/commission";
    $fees = [
        ['label' => 'Archive', 'amount' => '60', 'payer' => 'client', 'payee' => ''],
        ['label' => 'Staging', 'amount' => '', 'payer' => 'agent', 'payee' => ''],
        ['label' => 'Sign', 'amount' => '35.00', 'payer' => 'agent', 'payee' => 'Signs Inc'],
        ['label' => 'Courier', 'amount' => '12.00', 'payer' => 'agent', 'payee' => ''],
    ];
    $kept = function (array $with) use ($file, $path): array {
        $this->as('tomas')->put($path, ['rate' => '2.75', 'agent_share' => '70', ...$with])->assertSessionHasNoErrors();
        $this->seeAll();

        return array_map(
            static fn (array $fee) => "{$fee['label']} {$fee['amount']} {$fee['payer']} {$fee['payee']}",
            $file->commission()->sole()->entered()->otherFees(),
        );
    };
    $all = ['Archive 60.00 client ', 'Staging  agent ', 'Sign 35.00 agent Signs Inc', 'Courier 12.00 agent '];
    expect($kept(['fees' => $fees]))->toBe($all);
    // As the page gives it back: nothing has become the agent's flat fee.
    $page = (string) $this->as('tomas')->get($path)->assertSee('name="fees[4][label]"', false)->getContent();
    expect($page)->toMatch('/name="fee"[^>]*value=""/s')->toMatch('/name="fees\[0\]\[label\]"[^>]*value="Archive"/s');
    expect($kept(['fee' => '', 'fee_name' => '', 'fees' => $fees]))->toBe($all);
    expect($kept(['fee' => '395', 'fee_name' => 'Transaction fee', 'fees' => $fees]))->toBe($all);
    expect((string) $this->as('tomas')->get($path)->getContent())->toMatch('/name="fee"[^>]*value="395.00"/s');
});

it('suggests the fees of the office on a new sheet, and computes nothing from them before they are saved', function () {
    $this->seeAll();
    $office = $this->people['tomas']->officeRoles->firstOrFail()->office;
    $fees = [['label' => 'Compliance', 'amount' => '95', 'payer' => 'client'], ['label' => '', 'amount' => ''],
        ['label' => 'Insurance', 'amount' => '0.5%', 'base' => 'before', 'maximum' => '25']];
    foreach (['priya', 'wendell', 'marguerite'] as $who) {
        $this->as($who)->get('/office/fees')->assertForbidden();
        $this->as($who)->put("/office/fees/{$office->key}", ['fees' => $fees])->assertForbidden();
    }
    $this->as('dario')->put("/office/fees/{$office->key}", ['fees' => [['label' => 'x', 'amount' => 'a lot']]])
        ->assertSessionHasErrors('fees');
    $this->as('dario')->put("/office/fees/{$office->key}", ['fees' => $fees])->assertSessionHas('told');
    $this->as('dario')->put("/office/fees/{$office->key}", ['fees' => $fees])->assertSessionHas('told');
    $this->as('dario')->get('/office/fees')->assertOk()->assertSee('Compliance');
    $this->seeAll();
    expect(DB::table('brokerage_history')->where('what', 'Office fees set')->count())->toBe(1);
    $file = $this->aFile(['closing' => '2026-12-18']);
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->get($at)->assertOk()->assertSee('Suggested from the fees of')->assertSee('value="Insurance"', false);
    $this->seeAll();
    expect(DB::table('commissions')->where('deal_file_id', $file->id)->whereNotNull('reckoned')->count())->toBe(0);
    $this->as('tomas')->put($at, ['rate' => '3', 'agent_share' => '70', 'fees' => []]);
    $this->as('tomas')->get($at)->assertOk()->assertDontSee('Suggested from the fees of')->assertDontSee('value="Insurance"', false);
});

it('tells the reviewer who signed for a trust that the file names nobody for, until it does', function () {
    $file = aSignedFile();
    $this->seeAll();
    $buyer = $file->parties()->where(['role' => 'buyer', 'number' => 1])->sole();
    $buyer->update(['kind' => 'trust', 'signed_by' => null]);
    $requirement = requirement($file, 'Agency disclosure');
    $this->as('tomas')->post("/requirements/{$requirement->key}/submit");
    $told = static fn (string $then): string => "{$buyer->name} is a trust. The file does not say {$then}";
    $this->as('ines')->get("/review/{$requirement->key}")->assertOk()->assertSee($told('who signs for it.'));
    $this->seeAll();
    $buyer->update(['signed_by' => 'Maren Holt']);
    $this->as('ines')->get("/review/{$requirement->key}")->assertSee('Maren Holt signed for')->assertSee('in what capacity.');
    $this->seeAll();
    $buyer->update(['capacity' => 'trustee']);
    $this->as('ines')->get("/review/{$requirement->key}")->assertOk()->assertDontSee('in what capacity.')->assertDontSee('is a trust');
});
