<?php

declare(strict_types=1);

use App\Commission\PlanYear;
use App\Models\DealFile;
use App\Models\KeptReport;
use App\Models\Sight;
use App\Reports\Asked;
use App\Reports\DealRows;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Reports\DealRow;
use Unanimus\Reports\Period;
use Unanimus\Reports\Tally;

/** A file of the year, closed or pending, with its sheet: 412,500 × 2.75 % = 11,343.75. */
function soldFile(string $street, string $closing, bool $closed): DealFile
{
    test()->seeAll();
    $file = test()->aFile(['closing' => $closing, 'acceptance' => '2026-10-01', 'property.street' => $street]);
    $at = "/files/{$file->key}/commission";
    test()->as('tomas')->put($at, ['rate' => '2.75', 'agent_share' => '70'])->assertSessionHas('told');
    if ($closed) {
        test()->as('ines')->post("{$at}/authorize", ['despite' => 'for this test'])->assertSessionHas('told');
    }
    test()->seeAll();
    DB::table('deal_files')->where('id', $file->id)->update([
        'status' => $closed ? 'closed' : 'under_contract',
        'closed_on' => $closed ? $closing : null,
    ]);

    return $file;
}

it('counts what closed and what is pending to the cent as the sheets do, and opens the files behind each figure', function () {
    $closed = soldFile('1 Cooper Way', '2026-11-10', true);
    $pending = soldFile('2 Cooper Way', '2026-12-15', false);
    soldFile('3 Cooper Way', '2025-11-10', true);
    $page = $this->as('ines')->get('/reports?period=year')->assertOk();
    $page->assertSee('Closed: 1 side')->assertSee('$11,343.75')->assertSee('$3,403.12')->assertSee('Pending in this period: 1 side')
        ->assertSee('+0% on a year before')->assertSee('40 days');
    $this->as('ines')->get('/reports/deals?period=year&stands=closed&by=month&of=2026-11')
        ->assertSee($closed->key)->assertDontSee($pending->key)->assertSee('November 2026');
    $csv = $this->as('ines')->get('/reports.csv?period=year&table=month')->streamedContent();
    expect($csv)->toContain("\"November 2026\",1,412500.00,11343.75,3403.12,0,0.00,0.00,0.00\r\n")
        ->toContain("Together,1,412500.00,11343.75,3403.12,1,412500.00,11343.75,3403.12\r\n");
    $this->as('ines')->get('/reports.csv?period=year&table=..%2Fetc')->assertOk();
    expect($this->as('ines')->get('/reports.csv?period=year&table=sheets')->streamedContent())->toContain('11343.75,3403.12,7940.63');
    $this->as('ines')->get('/reports?from=nonsense&to=12/1/2026')->assertOk();
    $this->as('ines')->get('/reports?from=11/1/2026&to=11/30/2026')->assertOk()->assertSee('Closed: 1 side')
        ->assertSee('Pending in this period: 0 sides');
});

it('follows a price that is another before it is authorized, without anyone opening the sheet', function () {
    $file = soldFile('2 Cooper Way', '2026-12-15', false);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'price', 'value' => '400,000']);
    $this->as('ines')->get('/reports?period=year')->assertSee('$11,000.00');
    $this->as('ines')->get('/commission')->assertSee('$11,000')->assertSee('computed');
});

it('shows agents their own figures alone, and strangers none', function () {
    soldFile('1 Cooper Way', '2026-11-10', true);
    $this->as('tomas')->get('/reports?period=year')->assertOk()->assertSee('Closed: 1 side')->assertSee('your own files');
    $this->seeAll();
    $this->as('caleb')->get('/reports?period=year')->assertOk()->assertSee('Closed: 0 sides')->assertDontSee('1 Cooper Way');
    $this->seeAll();
    $this->as('caleb')->get('/reports/deals?period=year')->assertOk()->assertDontSee('Cooper Way');
    $this->seeAll();
    $tomas = $this->people['tomas']->key;
    $this->as('caleb')->get("/reports/agents/{$tomas}?year=2026")->assertForbidden();
    $this->as('tomas')->get("/reports/agents/{$tomas}?year=2026")->assertOk()->assertSee('$7,940.63');
    $this->as('tomas')->get("/reports/agents/{$tomas}/pdf?year=2026")->assertOk()->assertHeader('Content-Type', 'application/pdf');
    $this->as('ines')->get("/reports/agents/{$tomas}?year=2026")->assertOk()->assertSee('$7,940.63');
    $this->as('wendell')->get('/reports')->assertForbidden();
    $other = anotherOne();
    $this->actingAs($other)->get("/reports/agents/{$tomas}")->assertNotFound();
});

it('keeps a report under a name and sends it once a month, as its owner sees it', function () {
    soldFile('1 Cooper Way', '2026-11-10', true);
    $this->as('ines')->post('/reports/kept', ['name' => '', 'asked' => ''])->assertSessionHasErrors('name');
    $this->as('ines')->post('/reports/kept', ['name' => 'Monday', 'asked' => 'period=quarter&evil[]=1', 'monthly' => '1'])
        ->assertSessionHas('told');
    $this->seeAll();
    $kept = KeptReport::query()->sole();
    expect($kept->asked)->toBe(['period' => 'quarter']);
    $this->as('tomas')->delete("/reports/kept/{$kept->key}")->assertNotFound();
    Artisan::call('reports:send');
    Artisan::call('reports:send');
    $this->seeAll();
    $letters = DB::table('letters')->where('once_key', 'like', "report:{$kept->key}:%")->get();
    expect($letters)->toHaveCount(1)->and($letters[0]->attachment_name)->toBe('report.pdf');
    $pdf = app(App\Storage\Bytes::class)->path($letters[0]->attachment);
    expect((string) shell_exec('pdftotext -layout '.escapeshellarg($pdf).' -'))->toContain('$11,343.75')->toContain('Tomás');
    $this->as('ines')->delete("/reports/kept/{$kept->key}")->assertSessionHas('told');
    $this->seeAll();
    expect(KeptReport::query()->exists())->toBeFalse();
});

it('emails a report that is asked for once, however often the button is pressed, with the figures of whoever asks', function () {
    soldFile('1 Cooper Way', '2026-11-10', true);
    $strange = soldFile('9 Cooper Way', '2026-11-11', true);
    $greta = $this->people['greta']->id;
    DB::table('file_members')->where(['deal_file_id' => $strange->id, 'role' => 'agent'])->update(['user_id' => $greta]);
    $press = fn () => $this->as('tomas')
        ->post('/reports/mail', ['asked' => 'period=year&office=&evil[]=1', 'press' => 'press-0001'])
        ->assertRedirect('/reports?period=year');
    $press();
    $press();
    $this->as('tomas')->get('/reports')->assertSee('being put together');
    $this->as('greta')->get('/reports')->assertDontSee('being put together');
    $this->work();
    $this->work();
    $letter = DB::table('letters')->where('once_key', 'like', 'report-asked:%')->sole();
    expect($letter->attachment_name)->toBe('report.zip')->and($letter->recipient)->toBe($this->people['tomas']->email)
        ->and(KeptReport::query()->exists())->toBeFalse();
    $zip = app(App\Storage\Bytes::class)->path($letter->attachment);
    $table = (string) shell_exec('unzip -p '.escapeshellarg($zip).' deals.csv');
    // Pressed again after it went out, by a page that was left open: it is the same press.
    $press();
    $this->work();
    expect(DB::table('letters')->where('once_key', 'like', 'report-asked:%')->count())->toBe(1)
        ->and(KeptReport::query()->exists())->toBeFalse();
    expect($table)->toContain('1 Cooper Way')->toContain('412500.00,11343.75')->not->toContain('9 Cooper Way')
        ->and((string) shell_exec('unzip -p '.escapeshellarg($zip).' report.pdf | pdftotext -layout - -'))->toContain('$11,343.75');
    $this->as('tomas')->post('/reports/mail', ['asked' => ''])->assertSessionHasErrors('press');
    $this->as('wendell')->post('/reports/mail', ['asked' => '', 'press' => 'press-0002'])->assertForbidden();
});

it('offers to email what is too much to show, wherever it is asked for', function () {
    soldFile('1 Cooper Way', '2026-11-10', true);
    soldFile('2 Cooper Way', '2026-12-15', false);
    config(['unanimus.report_shows' => 1]);
    $years = 'from=2020-01-01&to=2026-12-31';
    $this->as('ines')->get("/reports?{$years}")->assertSee('Too much to show at once')->assertDontSee('By office');
    foreach (['reports/deals', 'reports.csv', 'reports.pdf'] as $way) {
        $this->as('ines')->get("/{$way}?{$years}")->assertRedirect("/reports?{$years}");
    }
    $this->as('ines')->get('/reports?period=year')->assertSee('By office');
    // Of an agent only their own count.
    $this->as('greta')->get("/reports?{$years}")->assertDontSee('Too much to show at once');
});

it('makes a PDF that a meeting can use', function () {
    soldFile('1 Cooper Way', '2026-11-10', true);
    $answer = $this->as('ines')->get('/reports.pdf?period=year')->assertOk()->assertHeader('Content-Type', 'application/pdf');
    file_put_contents($path = tempnam(sys_get_temp_dir(), 'report'), $answer->getContent());
    $text = (string) shell_exec('pdftotext -layout '.escapeshellarg($path).' -');
    unlink($path);
    expect($text)->toContain('By month')->toContain('November 2026')->toContain('$11,343.75')->toContain('Page 1 of');
});

it('tells which firms referred clients, what papers waited for, and takes the day from the terms', function () {
    $this->seeAll();
    $terms = ['commission_note' => 'A bonus was promised.', 'buyer_commission' => '3'];
    $file = $this->aFile(['closing' => '2026-11-10', 'acceptance' => '2026-10-01', ...$terms]);
    $at = "/files/{$file->key}/commission";
    $this->as('tomas')->get($at)->assertSee('A bonus was promised.')->assertSee('value="3"', false);
    $this->as('tomas')->put($at, ['rate' => '3', 'agent_share' => '70', 'referral' => '25', 'referral_to' => 'Harborstone Homes']);
    $this->as('ines')->post("{$at}/authorize", ['despite' => 'for this test'])->assertSessionHas('told');
    // 412,500 × 3 % = 12,375.00, of which a quarter.
    $this->as('ines')->get('/reports?period=year')->assertSee('Harborstone Homes')->assertSee('$3,093.75');
    $this->as('ines')->get('/reports?period=year&agent='.$this->people['caleb']->key)->assertDontSee('Harborstone Homes');
    Artisan::call('commission:recompute', ['year' => '2026']);
    expect(Artisan::output())->toContain('1 sheets, 0 would be others');
});

it('counts a side once, whichever side its agents are on, and what has no closing day only in a period with today', function () {
    $file = soldFile('1 Cooper Way', '2026-11-10', true);
    $this->seeAll();
    foreach (['caleb' => 'seller', 'priya' => 'buyer'] as $who => $side) {
        DB::table('file_members')->insert([
            'brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'user_id' => $this->people[$who]->id, 'role' => 'agent',
            'side' => $side,
        ]);
    }
    DB::table('deal_files')->where('id', $file->id)->update(['labels' => '["2026", "2027"]']);
    $this->as('ines')->get('/reports?period=year')->assertSee('Closed: 1 side');
    expect($this->as('ines')->get('/reports.csv?period=year&table=label')->streamedContent())->toContain('2026,1,412500.00')
        ->toContain('2027,1,412500.00');
    $this->seeAll();
    $open = soldFile('2 Cooper Way', '2026-12-15', false);
    DB::table('facts')->where(['deal_file_id' => $open->id, 'name' => 'closing'])->delete();
    $this->as('ines')->get('/reports?period=year')->assertSee('Pending in this period: 1 side')->assertSee('No closing day');
    $this->as('ines')->get('/reports?period=last-year')->assertSee('Pending in this period: 0 sides');
});

it('tells where clients came from', function () {
    $file = soldFile('1 Cooper Way', '2026-11-10', true);
    $this->seeAll();
    $fact = ['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'name' => 'client_source', 'value' => 'past client'];
    DB::table('facts')->insert([...$fact, 'source' => 'entered', 'stored_at' => now()]);
    $this->as('ines')->get('/reports?period=year')->assertSee('By source')->assertSee('Past client');
    expect($this->as('ines')->get('/reports.csv?period=year&table=source')->streamedContent())->toContain('"Past client",1,412500.00');
    $this->as('ines')->get('/reports/deals?period=year&stands=closed&by=source&of=past+client')->assertOk()->assertSee('1 Cooper Way');
});

it('sums what closed before as if each deal were counted', function (array $query) {
    foreach (['1 Cooper Way' => '2026-11-10', '2 Cooper Way' => '2026-10-02'] as $street => $closing) {
        $file = soldFile($street, $closing, true);
        DB::table('deal_files')->where('id', $file->id)->update(['labels' => $closing === '2026-11-10' ? '["farm"]' : '[]']);
    }
    $plain = soldFile('3 Cooper Way', '2026-09-09', false);
    DB::table('deal_files')->where('id', $plain->id)->update(['status' => 'closed', 'closed_on' => '2026-09-09']);
    soldFile('4 Cooper Way', '2026-12-15', false);
    $this->seeAll();
    $query = array_map(fn (string $one) => $one === 'tomas' ? $this->people['tomas']->key : $one, $query);
    Sight::ofPerson($this->people['ines']);
    $asked = Asked::of($query + ['period' => 'year'], LocalDate::of('2026-11-29'));
    $counted = Tally::of(DealRows::of($asked, ['closed']));
    expect(DealRows::closed($asked))->toEqual($counted)->and($counted->sides)->toBe(match ($query) {
        [] => 3,
        ['label' => 'farm'] => 1,
        ['office' => 'nowhere'] => 0,
        default => 3,
    });
})->with([[[]], [['label' => 'farm']], [['office' => 'nowhere']], [['agent' => 'tomas']]]);

it('finds what is due in one look with the report, or by itself, alike', function (string $from, string $to) {
    soldFile('1 Cooper Way', '2026-11-10', true);
    soldFile('2 Cooper Way', '2026-12-15', false);
    soldFile('3 Cooper Way', '2027-01-20', false);
    soldFile('4 Cooper Way', '2027-06-20', false);
    $open = soldFile('5 Cooper Way', '2026-12-15', false);
    DB::table('facts')->where(['deal_file_id' => $open->id, 'name' => 'closing'])->delete();
    $this->seeAll();
    Sight::ofPerson($this->people['ines']);
    $today = LocalDate::of(now()->format('Y-m-d'));
    $asked = Asked::of(['from' => $from, 'to' => $to], $today);
    [$rows, $due] = DealRows::withDue($asked, $today, $today->plusDays(60));
    $ends = $today->plusDays(60);
    $alone = array_values(array_filter(
        DealRows::of($asked->during(Period::between($today, $ends)), ['under_contract']),
        fn (DealRow $row) => $row->day !== null,
    ));
    expect($rows)->toEqual(DealRows::of($asked))->and($due)->toEqual($alone)->and($due)->not->toBe([]);
})->with([['2026-01-01', '2026-12-31'], ['2026-01-01', '2027-12-31'], ['2025-01-01', '2025-12-31'], ['2027-01-01', '2027-12-31']]);

it('says how far each agent is to the cap, and takes the status of deals by a link', function () {
    $plan = ['rate1' => '75', 'cap' => '18,000', 'year' => 'calendar', 'from' => '2026-01-01'];
    $this->as('ines')->post("/office/plans/{$this->people['tomas']->key}", $plan)->assertSessionHas('told');
    soldFile('1 Cooper Way', '2026-11-10', true);
    soldFile('2 Cooper Way', '2026-12-15', false);
    $this->seeAll();
    $many = PlanYear::ofMany([$this->people['tomas']->key, $this->people['greta']->key], LocalDate::of('2026-11-30'));
    expect($many)->toEqual([$this->people['tomas']->key => PlanYear::of($this->people['tomas'], LocalDate::of('2026-11-30'))]);
    $this->as('ines')->get('/reports?period=year')->assertOk()->assertSee('Of the cap')
        ->assertSee('of $18,000');
    $this->as('ines')->get('/reports/deals?period=year')->assertSee('1 Cooper Way')->assertSee('2 Cooper Way');
    $this->as('ines')->get('/reports/deals?period=year&stands=pending')->assertDontSee('1 Cooper Way')->assertSee('2 Cooper Way')
        ->assertSee('stands=closed', false);
});
