<?php

declare(strict_types=1);

use App\Commission\PlanYear;
use App\Models\AgentDebt;
use App\Models\Commission;
use App\Models\CommissionVersion;
use App\Models\DealFile;
use App\Models\Disbursement;
use App\Models\Paper;
use App\Models\Payment;
use App\Models\ReadingCopy;
use App\Models\Sight;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadeWorkbook;
use Unanimus\Commission\CommissionRefusal;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Money\AmountUnreadable;

/** A file with a commission entered: 412,500 × 2.75 % = 11,343.75, of which the agent has 70 %. */
function enteredFile(array $more = [], string $closing = '2026-12-10'): DealFile
{
    test()->seeAll();
    $file = test()->aFile(['closing' => $closing, 'acceptance' => '2026-11-21']);
    $entered = ['rate' => '2.75', 'agent_share' => '70', ...$more];
    test()->as('tomas')->put("/files/{$file->key}/commission", $entered)->assertSessionHas('told');
    test()->seeAll();

    return $file;
}

function authorizedFile(array $more = [], string $closing = '2026-12-10'): DealFile
{
    $file = enteredFile($more, $closing);
    test()->as('ines')->post("/files/{$file->key}/commission/authorize", ['despite' => 'escrow closes early'])->assertSessionHas('told');
    test()->seeAll();

    return $file;
}

it('releases before the review is complete only with the broker’s reason, which stands in the history', function () {
    $file = enteredFile();
    $at = "/files/{$file->key}/commission";
    $this->as('ines')->post("{$at}/authorize")->assertSessionHas('reason', CommissionRefusal::ReviewOpen->value);
    $this->as('tomas')->post("{$at}/authorize", ['despite' => 'in a hurry'])->assertForbidden();
    $this->as('ines')->post("{$at}/authorize", ['despite' => 'escrow closes early'])->assertSessionHas('told');
    $this->seeAll();
    $one = Disbursement::query()->sole();
    expect([$one->number, $one->despite, $one->gross->decimal(), $one->company->decimal()])
        ->toBe([1, 'escrow closes early', '11343.75', '3403.12'])
        ->and(DB::table('history')->where(['deal_file_id' => $file->id, 'what' => 'Disbursement authorized'])->value('data'))
        ->toContain('escrow closes early');
    $this->as('tomas')->get($at)->assertSee('Authorized before the review was complete: escrow closes early');
});

it('is withdrawn with why, tells escrow, counts no more, and is made anew under the next number', function () {
    $plan = ['from' => '2026-01-01', 'rate1' => '70', 'cap' => '16000'];
    $this->as('marguerite')->post('/office/plans/'.$this->people['tomas']->key, $plan);
    $file = authorizedFile(['agent_share' => '']);
    $at = "/files/{$file->key}/commission";
    $counted = fn () => PlanYear::of($this->people['tomas'], LocalDate::of('2026-12-31'))?->company->decimal();
    expect($counted())->toBe('3403.12');
    $this->as('tomas')->post("{$at}/send", ['name' => 'Nadia Petrov', 'email' => 'closer@escrow.example'])->assertSessionHas('told');
    $this->as('tomas')->post("{$at}/send", ['name' => 'Nadia Petrov', 'email' => 'closer@escrow.example']);
    $this->as('tomas')->post("{$at}/send", ['name' => 'Owen Gallagher', 'email' => 'owen@lender.example'])->assertSessionHas('told');
    $this->as('tomas')->post("{$at}/received", ['note' => 'by telephone'])->assertSessionHas('told');
    $this->as('tomas')->get($at)->assertSee('by telephone');
    $this->as('tomas')->post("{$at}/withdraw", ['why' => 'wrong price'])->assertForbidden();
    $this->as('ines')->post("{$at}/withdraw", ['why' => ' '])->assertSessionHas('reason', CommissionRefusal::NoReason->value);
    $this->as('ines')->post("{$at}/withdraw", ['why' => 'the price is another'])->assertSessionHas('told');
    $this->as('ines')->post("{$at}/withdraw", ['why' => 'again'])->assertSessionHas('reason', CommissionRefusal::NotAuthorized->value);
    $this->seeAll();
    $first = Disbursement::query()->sole();
    expect($counted())->toBe('0.00')
        ->and(ReadingCopy::query()->where('email', 'closer@escrow.example')->sole()->ended_at)->not->toBeNull()
        ->and(DB::table('letters')->where('once_key', 'like', "disbursement-withdrawn:{$first->key}:%")->orderBy('id')->pluck('recipient')
            ->all())->toBe(['closer@escrow.example', 'owen@lender.example'])
        ->and(DB::table('letters')->where('recipient', 'owen@lender.example')->orderByDesc('id')->value('body'))
        ->toContain('the price is another')
        ->and(Paper::query()->findOrFail($first->paper_id)->state)->toBe(PaperState::Void);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '400,000']);
    $this->as('ines')->post("{$at}/authorize", ['despite' => 'again'])->assertSessionHas('told');
    $this->seeAll();
    $second = Disbursement::query()->whereNull('withdrawn_at')->sole();
    expect([$second->number, $second->gross->decimal()])->toBe([2, '11000.00'])->and($counted())->toBe('3300.00');
    $pdf = app(App\Storage\Bytes::class)->path((string) Paper::query()->findOrFail($second->paper_id)->latest?->sha256);
    expect((string) shell_exec('pdftotext '.escapeshellarg($pdf).' -'))->toContain('Number 2. It replaces number 1');
});

it('words it as the office does, or the file, and refuses what cannot be said', function () {
    $office = '/office/disbursements/'.$this->people['tomas']->officeRoles->first()->office->key;
    $way = ['agents' => 'company', 'referral' => 'direct', 'sign' => 'hand', 'letterhead' => '1 Wharf Street', 'account' => 'ending 4417'];
    $this->as('tomas')->put($office, [...$way, 'text' => ''])->assertForbidden();
    $unknown = CommissionRefusal::UnknownField->value;
    $this->as('ines')->put($office, [...$way, 'text' => 'Pay {nobody}.'])->assertSessionHas('reason', $unknown);
    $this->as('ines')->put($office, [...$way, 'text' => ''])->assertSessionHas('told');
    $file = enteredFile();
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->put("{$at}/wording", ['text' => 'Mine'])->assertForbidden();
    $this->as('ines')->put("{$at}/wording", ['text' => 'Pay {gross} to {company} at {closing}.'])->assertSessionHas('told');
    $this->as('ines')->post("{$at}/authorize", ['despite' => 'early'])->assertSessionHas('told');
    $this->seeAll();
    $one = Disbursement::query()->sole();
    $pdf = app(App\Storage\Bytes::class)->path((string) Paper::query()->findOrFail($one->paper_id)->latest?->sha256);
    $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($pdf).' -');
    expect($one->wording)->toContain('$11,343.75')->toContain('December 10, 2026')
        ->and($text)->toContain('1 Wharf Street')->toContain('ending 4417')->toContain('from its part')
        ->toMatch('/company\s+\$3,403.12 and \$7,940.63 for others\s+\$11,343.75/');
    $this->as('ines')->put("{$at}/wording", ['text' => 'Later'])->assertSessionHas('reason', CommissionRefusal::FiguresAreFinal->value);
});

it('draws the broker’s own signature on what they authorize, where the office wants it', function () {
    $picture = imagecreatetruecolor(600, 200);
    imagefill($picture, 0, 0, (int) imagecolorallocate($picture, 250, 249, 246));
    imagesetthickness($picture, 7);
    for ($x = 60; $x < 520; $x += 40) {
        imageline($picture, $x, $x % 80 === 60 ? 60 : 140, $x + 40, $x % 80 === 60 ? 140 : 60, (int) imagecolorallocate($picture, 20, 30,
            90));
    }
    ob_start();
    imagepng($picture);
    $upload = Illuminate\Http\UploadedFile::fake()->createWithContent('mine.png', (string) ob_get_clean());
    $office = '/office/disbursements/'.$this->people['tomas']->officeRoles->first()->office->key;
    $this->as('tomas')->post('/office/disbursements/signature', ['picture' => $upload])->assertForbidden();
    $this->as('tomas')->delete('/office/disbursements/signature')->assertForbidden();
    $none = Illuminate\Http\UploadedFile::fake()->createWithContent('mine.png', 'no picture');
    $this->as('ines')->post('/office/disbursements/signature', ['picture' => $none])->assertSessionHas('reason');
    $this->as('ines')->post('/office/disbursements/signature', ['picture' => $upload])->assertSessionHas('told');
    $this->as('ines')->get('/office/disbursements')->assertSee('Replace it');
    // Nobody else has it, and the database keeps it from them.
    $this->as('tomas')->get('/');
    expect(DB::table('signature_pictures')->count())->toBe(0);
    $this->as('ines')->put($office, ['agents' => 'direct', 'referral' => 'direct', 'sign' => 'picture'])->assertSessionHas('told');
    $file = enteredFile();
    $this->as('ines')->post("/files/{$file->key}/commission/authorize", ['despite' => 'early'])->assertSessionHas('told');
    $this->seeAll();
    $one = Disbursement::query()->sole();
    $pdf = app(App\Storage\Bytes::class)->path((string) Paper::query()->findOrFail($one->paper_id)->latest?->sha256);
    $ink = Unanimus\Pages\InkDots::of($pdf, (int) shell_exec('pdfinfo '.escapeshellarg($pdf).' | sed -n "s/^Pages: *//p"'), 72, 0.7);
    $text = (string) shell_exec('pdftotext -bbox '.escapeshellarg($pdf).' -');
    preg_match('/yMin="([\d.]+)"[^>]*>Authorized</', substr($text, (int) strrpos($text, '<page')), $at);
    // Above what it says in words, where nothing else stands, there is ink.
    $above = substr($ink->dots, ((int) $at[1] - 40) * $ink->width, 34 * $ink->width);
    expect(substr_count($above, 'x'))->toBeGreaterThan(200);
    $this->as('ines')->delete('/office/disbursements/signature')->assertSessionHas('told');
    expect(DB::table('signature_pictures')->count())->toBe(0);
});

it('notes what came in and who was paid, each once, and closes the sheet', function () {
    $file = authorizedFile();
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->post("{$at}/wired", ['amount' => '11,343.75'])->assertForbidden();
    $this->as('ines')->post("{$at}/wired", ['amount' => 'much'])->assertSessionHasErrors('amount');
    $this->as('ines')->post("{$at}/wired", ['amount' => '11,000'])->assertSessionHas('told');
    $this->as('tomas')->get($at)->assertSee('$343.75 are missing');
    foreach (range(1, 2) as $press) {
        $this->as('ines')->post("{$at}/wired", ['amount' => '11,343.75', 'on' => '12/11/2026'])->assertSessionHas('told');
    }
    $this->seeAll();
    expect(DB::table('history')->where(['deal_file_id' => $file->id, 'what' => 'Wired'])->count())->toBe(2);
    $names = collect(Disbursement::query()->sole()->payees())->pluck('amount', 'name');
    $pay = fn (string $who, string $amount) => $this->as('ines')
        ->post("{$at}/paid", ['payee' => $who, 'amount' => $amount, 'how' => 'check', 'reference' => '1042']);
    $agent = (string) $names->keys()->first();
    $pay($agent, '1')->assertSessionHas('reason', CommissionRefusal::NotOwed->value);
    foreach ($names as $name => $amount) {
        $pay((string) $name, $amount->decimal())->assertSessionHas('told');
    }
    $pay($agent, $names[$agent]->decimal())->assertSessionHas('reason', CommissionRefusal::AlreadyPaid->value);
    $this->seeAll();
    expect(Payment::query()->count())->toBe(count($names));
    $this->as('tomas')->get($at)->assertSee('Everybody is paid')->assertSee('1042')->assertSee('That is what the sheet says');
    $this->as('ines')->post("{$at}/withdraw", ['why' => 'late'])->assertSessionHas('reason', CommissionRefusal::SaleClosed->value);
    // Noted by mistake: it is struck with why, stays, and can be noted again.
    $this->as('tomas')->post("{$at}/strike", ['payee' => $agent, 'why' => 'wrong'])->assertForbidden();
    $this->as('ines')->post("{$at}/strike", ['payee' => $agent])->assertSessionHas('reason', CommissionRefusal::NoReason->value);
    foreach (range(1, 2) as $press) {
        $this->as('ines')->post("{$at}/strike", ['payee' => $agent, 'why' => 'wrong line'])->assertSessionHas('told');
    }
    $this->as('tomas')->get($at)->assertDontSee('Everybody is paid');
    $pay($agent, $names[$agent]->decimal())->assertSessionHas('told');
    $this->seeAll();
    expect(Payment::query()->count())->toBe(count($names) + 1);
});

it('keeps every version of what was entered, and takes one up again', function () {
    $file = enteredFile();
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->put($at, ['rate' => '2.75', 'agent_share' => '70']);
    $this->as('tomas')->put($at, ['rate' => '3', 'agent_share' => '70'])->assertSessionHas('told');
    $this->seeAll();
    [$first, $second] = CommissionVersion::query()->orderBy('id')->get()->all();
    expect(CommissionVersion::query()->count())->toBe(2)->and($second->figures['Comes in'])->toBe('12375.00');
    $this->as('tomas')->get($at)->assertSee('$11,343.75 →')->assertSee('Use this');
    $this->as('caleb')->post("{$at}/versions/{$first->key}")->assertNotFound();
    $this->as('tomas')->post("{$at}/versions/{$first->key}")->assertSessionHas('told');
    $this->seeAll();
    expect(Commission::query()->sole()->entered()->value('rate'))->toBe('2.75')->and(CommissionVersion::query()->count())->toBe(3);
});

it('tries another price, rate, credit or day beside it without storing any', function () {
    $file = enteredFile();
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->get("{$at}?if_price=400,000&if_credit=1,000")
        ->assertSee('$11,000.00')->assertSee('−$343.75')->assertSee('+$1,000.00');
    $this->as('tomas')->get("{$at}?if_rate=101")->assertOk()->assertSee(AmountUnreadable::percent('101')->getMessage());
    $this->seeAll();
    expect(Commission::query()->sole()->given['rate'])->toBe('2.75')->and(CommissionVersion::query()->count())->toBe(1);
});

it('takes what an agent owes from the next sheet, keeps the rest, and gives it back when the authorization is withdrawn', function () {
    $enter = fn (string $who, array $with) => $this->as($who)->post('/office/plans/'.$this->people['tomas']->key.'/debts', $with);
    $enter('tomas', ['label' => 'Advance', 'amount' => '1'])->assertForbidden();
    $enter('ines', ['label' => 'Advance', 'amount' => '0'])->assertSessionHas('reason', CommissionRefusal::DebtOfNothing->value);
    // Pressed twice it is one debt.
    foreach (range(1, 2) as $press) {
        $enter('ines', ['label' => 'Advance', 'amount' => '10,000', 'once' => 'form-1'])->assertSessionHas('told');
    }
    $file = authorizedFile();
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->get($at)->assertSee('Advance')->assertSee('$7,940.63');
    $this->as('tomas')->get('/office/plans')->assertSee('$2,059.37');
    $this->as('ines')->post("{$at}/withdraw", ['why' => 'again'])->assertSessionHas('told');
    $this->as('tomas')->get('/office/plans')->assertSee('$10,000.00 of $10,000.00');
    $this->seeAll();
    $debt = AgentDebt::query()->sole();
    $settle = fn (string $who, string $why) => $this->as($who)->post("/office/debts/{$debt->key}/settle", ['why' => $why]);
    $settle('tomas', 'paid')->assertForbidden();
    $settle('ines', '')->assertSessionHas('reason', CommissionRefusal::NoReason->value);
    $settle('ines', 'paid by check')->assertSessionHas('told');
    $this->as('tomas')->get('/office/plans')->assertDontSee('for Advance');
    $this->as('tomas')->get($at)->assertDontSee('Advance');
    // In the database, too: others see nothing of it.
    foreach (['tomas' => true, 'ines' => true, 'caleb' => false] as $who => $sees) {
        Sight::ofPerson($this->people[$who]);
        expect(DB::table('agent_debts')->exists())->toBe($sees, $who);
    }
});

it('gives a team’s lead a part, and flags a sheet when an earlier one counts otherwise since', function () {
    $lead = $this->people['caleb'];
    $plan = ['from' => '2026-01-01', 'rate1' => '70', 'cap' => '5000', 'team_lead' => $lead->key, 'team_percent' => '10'];
    $to = fn (array $with) => $this->as('ines')->post('/office/plans/'.$this->people['tomas']->key, $with);
    $to([...$plan, 'team_percent' => ''])->assertSessionHas('reason', CommissionRefusal::TeamIncomplete->value);
    $to([...$plan, 'team_lead' => $this->people['tomas']->key])->assertSessionHas('reason', CommissionRefusal::TeamOfOneself->value);
    $to($plan)->assertSessionHas('told');
    $first = enteredFile(['agent_share' => '']);
    $this->as('tomas')->get("/files/{$first->key}/commission")->assertSee('$794.06')->assertSee('$7,146.57');
    $this->seeAll();
    $later = $this->aFile(['closing' => '2026-12-20', 'property.street' => '9 Cooper Way', 'acceptance' => '2026-11-22']);
    $this->as('tomas')->put("/files/{$later->key}/commission", ['rate' => '2.75'])->assertSessionHas('told');
    $this->as('ines')->post("/files/{$later->key}/commission/authorize", ['despite' => 'first'])->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$later->key}/commission")->assertDontSee('An earlier sheet counts otherwise');
    $this->as('ines')->post("/files/{$first->key}/commission/authorize", ['despite' => 'second'])->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$later->key}/commission")->assertSee('An earlier sheet counts otherwise');
    $this->seeAll();
    expect(PlanYear::of($this->people['tomas'], LocalDate::of('2026-12-31'))?->company->decimal())->toBe('6806.24');
});

it('limits a fee to its yearly cap after earlier sheets, whoever pays it', function (string $payer, string $payee) {
    $fee = ['label' => 'Charity', 'amount' => '700', 'payer' => $payer, 'payee' => $payee, 'cap' => '1000'];
    authorizedFile(['fees' => [$fee]]);
    $this->seeAll();
    $next = $this->aFile(['closing' => '2026-12-20', 'property.street' => '9 Cooper Way', 'acceptance' => '2026-11-22']);
    $this->as('tomas')->put("/files/{$next->key}/commission", ['rate' => '2.75', 'agent_share' => '70', 'fees' => [$fee]])
        ->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$next->key}/commission")->assertSee('$300.00');
})->with([['agent', ''], ['company', 'Harbor fund'], ['client', '']]);

it('refuses whoever is not of the file, at every route, and in the database', function () {
    $file = authorizedFile();
    $at = "/files/{$file->key}/commission";
    $other = anotherOne();
    foreach (['authorize', 'withdraw', 'send', 'received', 'wired', 'paid', 'strike'] as $what) {
        $this->actingAs($other)->post("{$at}/{$what}")->assertNotFound();
        $this->seeAll();
        $this->as('caleb')->post("{$at}/{$what}")->assertNotFound();
    }
    $this->actingAs($other)->put("{$at}/wording", ['text' => 'x'])->assertNotFound();
    $this->actingAs($other)->get($at)->assertNotFound();
    $this->seeAll();
    foreach (['/office/disbursements', '/office/plans.csv'] as $page) {
        $this->as('tomas')->get($page)->assertForbidden();
    }
    Sight::ofPerson($this->people['caleb']->refresh());
    foreach (['disbursements', 'commission_versions', 'payments', 'sheet_counts'] as $table) {
        expect(DB::table($table)->exists())->toBeFalse($table);
    }
    Sight::ofPerson($this->people['tomas']->refresh());
    $own = fn () => DB::table('disbursements')->where('deal_file_id', $file->id);
    $change = fn (array $with) => fn () => DB::transaction(fn () => $own()->update($with));
    expect($change(['withdrawn_at' => now()]))->toThrow(QueryException::class, 'row-level security')
        ->and($change(['gross' => 1]))->toThrow(QueryException::class, 'append-only')
        ->and(fn () => DB::transaction(fn () => DB::table('payments')->insert([
            'brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'payee' => 'me', 'amount' => 1, 'how' => 'check',
            'disbursement_id' => $own()->value('id'), 'paid_on' => '2026-12-12', 'user_id' => $this->people['tomas']->id,
        ])))->toThrow(QueryException::class, 'row-level security');
});

it('sets plans for many agents from a table: tried first, row by row, each refused in words', function () {
    $csv = "Email,In force from,Rate 1,Cap,Team lead email,Lead percent,Counted company\n".
        "tomas@quillmark.example,1/1/2026,80,\"16,000\",priya@quillmark.example,5,900\n".
        "nobody@quillmark.example,1/1/2026,80,,,,\n".
        "caleb@quillmark.example,someday,80,,,,\n".
        "caleb@quillmark.example,1/1/2026,,,,,\n";
    $sheet = fn (string $text) => Illuminate\Http\UploadedFile::fake()->createWithContent('plans.csv', $text);
    $this->as('tomas')->post('/office/plans-sheet', ['sheet' => $sheet($csv)])->assertForbidden();
    $this->as('tomas')->post('/office/plans-sheet/set', ['bytes' => base64_encode($csv)])->assertForbidden();
    $this->as('ines')->post('/office/plans-sheet', ['sheet' => $sheet("A,B\n1,2\n")])->assertSessionHasErrors('sheet');
    $this->as('ines')->post('/office/plans-sheet/set', ['bytes' => '???'])->assertRedirect('/office/plans');
    $this->as('ines')->post('/office/plans-sheet', ['sheet' => $sheet($csv)])->assertOk()
        ->assertSee('1 plan')->assertSee('No agent here has the address nobody@quillmark.example')->assertSee('Save 1 plan');
    $this->seeAll();
    expect(DB::table('agent_plans')->count())->toBe(0);
    $this->as('ines')->post('/office/plans-sheet/set', ['bytes' => base64_encode($csv)])->assertSessionHas('told', '1 plan was saved.');
    $out = $this->as('ines')->get('/office/plans.csv')->streamedContent();
    expect($out)->toContain('tomas@quillmark.example')->toContain('16000.00')->toContain('priya@quillmark.example');
    // A workbook is read as its first sheet; one that is broken is refused.
    $book = MadeWorkbook::xlsx(array_map(str_getcsv(...), explode("\n", trim($csv))));
    $this->as('ines')->post('/office/plans-sheet', ['sheet' => $sheet($book)])->assertOk()->assertSee('Save 1 plan');
    $this->as('ines')->post('/office/plans-sheet', ['sheet' => $sheet("PK\x03\x04")])->assertSessionHasErrors('sheet');
    // What goes out comes in again as it was.
    $this->as('ines')->post('/office/plans-sheet/set', ['bytes' => base64_encode($out)])->assertSessionHas('told', '1 plan was saved.');
    $this->seeAll();
    expect(DB::table('agent_plans')->count())->toBe(1)
        ->and(PlanYear::of($this->people['tomas'], LocalDate::of('2026-11-30'))?->company->decimal())->toBe('900.00');
});

it('starts the buyers’ sheet of a two-sided deal from what the listing leaves, whichever is authorized first', function () {
    $plan = ['rate1' => '80', 'cap' => '10,000', 'after_cap' => '250', 'company' => '8,600', 'from' => '2026-01-01'];
    $this->as('ines')->post('/office/plans/'.$this->people['tomas']->key, $plan)->assertSessionHas('told');
    $this->as('ines')->post('/office/plans/'.$this->people['tomas']->key.'/debts', ['label' => 'Advance', 'amount' => '300']);
    $this->seeAll();
    $file = $this->aFile(['closing' => '2026-12-10', 'acceptance' => '2026-11-21', 'price' => '310,000']);
    DB::table('deal_files')->where('id', $file->id)->update(['represents' => 'both']);
    $at = "/files/{$file->key}/commission";
    $fee = ['fee' => '395', 'fee_name' => 'Transaction fee', 'fee_counts' => '1'];
    $this->as('ines')->put($at, ['side' => 'seller', 'rate' => '2.5', ...$fee])->assertSessionHas('told');
    $this->as('ines')->put($at, ['side' => 'buyer', 'rate' => '2', ...$fee])->assertSessionHas('told');
    // The worked example: 6,050.00 on the listing, 5,950.00 on the other side, 1,950.00 to the company.
    $look = fn () => $this->as('ines')->get("{$at}?side=buyer")
        ->assertSee('$6,050.00')->assertSee('$5,950.00')->assertSee('$12,000.00')->assertSee('$1,950.00')->assertSee('$13,950.00');
    $look();
    // The other side's first: it starts from the listing's all the same, and nothing is counted twice.
    foreach (['buyer', 'seller'] as $side) {
        $this->as('ines')->post("{$at}/authorize", ['side' => $side, 'despite' => 'early'])->assertSessionHas('told');
        $look()->assertDontSee('An earlier sheet counts otherwise');
    }
    $this->seeAll();
    $year = PlanYear::of($this->people['tomas'], LocalDate::of('2026-12-31'));
    expect([$year?->company->decimal(), $year?->afterCap->decimal(), $year?->cn->decimal()])->toBe(['10000.00', '250.00', '13950.00'])
        ->and(DB::table('sheet_counts')->where('what', 'debt')->sum('amount'))->toEqual(300);
});

it('limits the franchise fee to what its yearly cap leaves after earlier sheets, of the agent or of the office', function (string $per) {
    $with = ['franchise' => '6', 'franchise_cap' => '1000', 'franchise_per' => $per, 'franchise_paid' => '100'];
    // 6 % of 11,343.75 is 680.63; of the 1,000 cap 100 is paid, then 680.63: 219.37 is left.
    $first = authorizedFile($with);
    $this->as('tomas')->get("/files/{$first->key}/commission")->assertSee('$680.63');
    $this->seeAll();
    $next = $this->aFile(['closing' => '2026-12-20', 'property.street' => '9 Cooper Way', 'acceptance' => '2026-11-22']);
    $this->as('tomas')->put("/files/{$next->key}/commission", ['rate' => '2.75', 'agent_share' => '70', ...$with])
        ->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$next->key}/commission")->assertSee('$219.37');
    $this->as('ines')->post("/files/{$first->key}/commission/withdraw", ['why' => 'again'])->assertSessionHas('told');
    $this->as('tomas')->get("/files/{$next->key}/commission")->assertSee('$680.63');
})->with(['agent', 'office']);

it('tells the bookkeeper what closed and has not come in, and who is not paid, until all of it is recorded', function () {
    authorizedFile(closing: $this->day(2));
    authorizedFile(closing: $this->day(-90));
    $this->as('marguerite')->get('/')->assertOk()->assertDontSee('Record commission received');
    $file = authorizedFile(closing: $this->day(-3));
    $at = "/files/{$file->key}/commission";
    $this->as('marguerite')->get('/')->assertSee('Record commission received')->assertSee('$11,343.75')->assertSee($at);
    foreach (['tomas', 'ines', 'fenna', 'caleb'] as $other) {
        $this->as($other)->get('/')->assertOk()->assertDontSee('Record commission received');
    }
    $this->as('marguerite')->post("{$at}/wired", ['amount' => '11,343.75'])->assertSessionHas('told');
    $this->as('marguerite')->get('/')->assertDontSee('Record commission received')->assertSee('Record who was paid');
    $this->seeAll();
    $payees = Disbursement::query()->where('deal_file_id', $file->id)->sole()->payees();
    foreach ($payees as $payee) {
        $this->as('marguerite')->get('/')->assertSee('Record who was paid');
        $paid = ['payee' => $payee->name, 'amount' => $payee->amount->decimal(), 'how' => 'check'];
        $this->as('marguerite')->post("{$at}/paid", $paid)->assertSessionHas('told');
    }
    $this->as('marguerite')->get('/')->assertOk()->assertDontSee('Record who was paid');
});
