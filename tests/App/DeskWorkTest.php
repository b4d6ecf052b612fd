<?php

declare(strict_types=1);

use App\Files\Actions\FollowOn;
use App\Files\Actions\MoveStatus;
use App\Files\CalendarLink;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Task;
use App\Storage\Bytes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\Support\MadePdf;
use Unanimus\Dates\DateRefusal;
use Unanimus\Files\DealStatus;
use Unanimus\Files\FileRefusal;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;

/** The last entry of a file's history. */
function lastEntry(DealFile $file): object
{
    $entry = DB::table('history')->where('deal_file_id', $file->id)->orderByDesc('seq')->firstOrFail();
    $entry->data = json_decode($entry->data, true);

    return $entry;
}

it('shows what moves with an anchor before it moves, and asks why once the contract is made', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20', 'closing' => '2026-12-21']);
    $response = $this->as('tomas')
        ->put("/files/{$file->key}/facts?at=file", ['name' => 'closing', 'value' => '12/26/2026'], ['HX-Request' => 'true'])
        ->assertOk();
    expect(json_decode((string) $response->headers->get('HX-Trigger'), true)['shift']['url'])->toBe(
        "/files/{$file->key}/shift?anchor=closing&day=2026-12-26&at=file",
    );
    $this->as('tomas')
        ->get("/files/{$file->key}/shift?anchor=closing&day=2026-12-26")
        ->assertOk()
        ->assertSee('Walk-through')
        ->assertSee('a Saturday')
        ->assertSee('signed amendment');
    $this->as('tomas')
        ->post("/files/{$file->key}/shift", ['anchor' => 'closing', 'day' => '2026-12-28', 'reason' => ' '])
        ->assertSessionHas('reason', DateRefusal::NoReasonUnderContract->value);
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'closing')->value('value'))->toBe('2026-12-21');
    $this->as('tomas')
        ->post("/files/{$file->key}/shift", ['anchor' => 'closing', 'day' => '2026-12-28', 'reason' => 'amendment 1'])
        ->assertSessionHas('told');
    $this->seeAll();
    $entry = lastEntry($file);
    expect($file->knownFacts()->where('name', 'closing')->value('value'))
        ->toBe('2026-12-28')
        ->and($entry->what)
        ->toBe('Dates moved')
        ->and($entry->data)
        ->toMatchArray(['anchor' => 'Closing', 'from' => '2026-12-21', 'to' => '2026-12-28', 'reason' => 'amendment 1'])
        ->and($entry->data['with it'])
        ->toContain('Walk-through');
});

it('moves no contract date by emptying its field, and no date that is no anchor', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20', 'closing' => '2026-12-21']);
    $response = $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'closing', 'value' => ''], ['HX-Request' => 'true']);
    expect(json_decode((string) $response->headers->get('HX-Trigger'), true)['stored']['fault'])->toContain(
        'move its dates, but not remove them',
    );
    $this->as('tomas')
        ->post("/files/{$file->key}/shift", ['anchor' => 'price', 'day' => '2026-12-28', 'reason' => 'x'])
        ->assertSessionHas('reason', DateRefusal::NothingCountsFromIt->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/shift", ['anchor' => 'closing', 'day' => 'soonish', 'reason' => 'x'])
        ->assertSessionHas('refused');
});

it('sets a single date by hand with a reason, and brings it back', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20']);
    $this->as('tomas')
        ->put("/files/{$file->key}/dates/inspection", ['day' => '12/4/2026', 'reason' => ''])
        ->assertSessionHasErrors('reason');
    $this->as('tomas')
        ->put("/files/{$file->key}/dates/inspection", ['day' => '12/4/2026', 'reason' => 'the inspector is ill'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->get("/files/{$file->key}/dates")
        ->assertSee('Set by hand to Fri, Dec 4')
        ->assertSee(': the inspector is ill')
        ->assertSee('Use the contract’s date');
    $this->as('tomas')
        ->delete("/files/{$file->key}/dates/inspection")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->delete("/files/{$file->key}/dates/inspection")
        ->assertSessionHas('reason', DateRefusal::FollowsTheContract->value);
    $this->as('tomas')
        ->put("/files/{$file->key}/dates/nothing", ['day' => '12/4', 'reason' => 'x'])
        ->assertSessionHas('reason', DateRefusal::NoSuchDeadline->value);
});

it('gives a file and a person a calendar by a secret address that can be taken back', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20', 'closing' => '2026-12-21']);
    $own = CalendarLink::ofFile($file);
    $feed = $this->get($own)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8')->getContent();
    $feed = str_replace("\r\n ", '', $feed);
    preg_match('/UID:(deadline-inspection-\S+)/', $feed, $uid);
    preg_match('/SEQUENCE:(\d+)/', $feed, $sequence);
    expect($feed)->toContain('Inspection: 14 Lanternfish Lane')->toContain('DTSTART;VALUE=DATE:20261221');
    $person = CalendarLink::ofPerson($this->people['tomas']->fresh());
    $this->get($person)->assertOk()->assertSee('UID:deadline-inspection-', false);
    $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'inspection_days', 'value' => '14']);
    $later = str_replace("\r\n ", '', (string) $this->get($own)->getContent());
    preg_match('/SEQUENCE:(\d+)/', $later, $grown);
    expect($later)
        ->toContain("UID:{$uid[1]}")
        ->and((int) $grown[1])
        ->toBeGreaterThan((int) $sequence[1]);
    $this->as('tomas')->post("/files/{$file->key}/calendar");
    $this->as('tomas')->post('/calendar');
    $this->get($own)->assertNotFound();
    $this->get($person)->assertNotFound();
    $this->get(str_replace('.ics', '', $own).'0.ics')->assertNotFound();
});

it('computes dates on the command line, and says what it cannot read', function () {
    $path = tempnam(sys_get_temp_dir(), 'dates');
    file_put_contents(
        $path,
        json_encode([
            'zone' => 'America/New_York',
            'anchors' => ['acceptance' => '2026-11-25'],
            'rules' => [['name' => 'earnest', 'anchor' => 'acceptance', 'days' => 2, 'unit' => 'business']],
        ]),
    );
    expect(Artisan::call('dates:compute', ['file' => $path]))
        ->toBe(0)
        ->and(json_decode(Artisan::output(), true)['dates'][0]['day'])
        ->toBe('2026-11-30');
    file_put_contents($path, '{"anchors": 1}');
    expect(Artisan::call('dates:compute', ['file' => $path]))
        ->toBe(1)
        ->and(Artisan::call('dates:compute', ['file' => '/nowhere.json']))
        ->toBe(1);
    unlink($path);
});

it('takes tasks from the kit with days that follow the anchors, and marks many at once', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20', 'closing' => '2026-12-21']);
    expect($file->tasks()->count())->toBe(6);
    $this->as('tomas')
        ->post("/files/{$file->key}/tasks", ['title' => 'Call the lender', 'day' => '12/1'])
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/tasks", ['title' => 'Move out the piano', 'anchor' => 'closing', 'days' => '-3'])
        ->assertSessionHas('told');
    $this->as('tomas')->get('/tasks')->assertSee('Call the lender')->assertSee('Fri, Dec 18')->assertSee('14 Lanternfish Lane');
    $this->as('tomas')->post("/files/{$file->key}/shift", ['anchor' => 'closing', 'day' => '2026-12-23', 'reason' => 'amendment']);
    $this->as('tomas')->get('/tasks')->assertSee('Sun, Dec 20');
    $this->seeAll();
    $keys = Task::query()
        ->where('deal_file_id', $file->id)
        ->whereIn('title', ['Call the lender', 'Schedule inspection'])
        ->pluck('key')
        ->all();
    $this->as('tomas')
        ->post('/tasks', ['tasks' => $keys, 'do' => 'done'])
        ->assertSessionHas('told', '2 tasks done.');
    $this->as('tomas')
        ->post('/tasks', ['tasks' => $keys, 'do' => 'done'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Task done')->count())
        ->toBe(2)
        ->and(Task::query()->whereIn('key', $keys)->pluck('done_by')->unique()->all())
        ->toBe([$this->people['tomas']->id]);
    $this->as('tomas')->get('/tasks?done=1')->assertSee('Call the lender');
    $this->as('tomas')
        ->post("/files/{$file->key}/tasks", ['title' => 'x', 'day' => 'someday'])
        ->assertSessionHas('refused');
});

it('leaves others\' tasks alone', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20']);
    $key = $file->tasks()->firstOrFail()->key;
    $this->as('caleb')
        ->post('/tasks', ['tasks' => [$key], 'do' => 'done'])
        ->assertSessionHas('reason', FileRefusal::TaskGone->value);
    $this->as('marguerite')
        ->post('/tasks', ['tasks' => [$key], 'do' => 'done'])
        ->assertForbidden();
    $this->as('caleb')->get('/tasks?who=all')->assertDontSee('Schedule inspection');
    $this->seeAll();
    expect(Task::query()->where('key', $key)->value('done_at'))->toBeNull();
});

it('ends a file on a day, opens it again by the broker alone, and starts the follow-on', function () {
    $file = $this->aFile(['acceptance' => '2026-11-20']);
    $this->as('tomas')
        ->post("/files/{$file->key}/follow-on")
        ->assertSessionHas('reason', FileRefusal::DealStillOpen->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'terminated', 'reason' => 'the loan was refused', 'on' => '2099-01-01'])
        ->assertSessionHas('reason', FileRefusal::EndsInTheFuture->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'terminated', 'reason' => 'the loan was refused', 'on' => '2026-11-21'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->refresh()->ended_on?->iso())->toBe('2026-11-21')->and($file->end_reason)->toBe('the loan was refused');
    $this->as('tomas')
        ->post("/files/{$file->key}/status", ['status' => 'active', 'reason' => 'again'])
        ->assertSessionHas('reason', FileRefusal::OnlyBrokerReopens->value);
    $this->as('tomas')
        ->post("/files/{$file->key}/follow-on")
        ->assertSessionHas('told');
    $this->as('tomas')
        ->post("/files/{$file->key}/follow-on")
        ->assertSessionHas('reason', FileRefusal::HasFollowOn->value);
    $this->seeAll();
    $next = DealFile::query()->where('follows_on', $file->id)->firstOrFail();
    expect($next->parties()->where('role', 'buyer')->pluck('name')->all())
        ->toContain('Sunniva Eide')
        ->and($next->knownFacts()->where('name', 'price')->exists())
        ->toBeFalse()
        ->and($next->parties()->where('role', 'seller')->exists())
        ->toBeFalse();
    $this->as('ines')
        ->post("/files/{$file->key}/status", ['status' => 'under_contract', 'reason' => 'signed anew'])
        ->assertSessionHas('told');
});

it('takes property and seller into the follow-on of a listing, and none of the deal', function () {
    $file = $this->aFile(['price' => '400,000']);
    $file->update(['represents' => 'seller', 'listing_number' => 'TR-26-04182']);
    $this->actingAs($this->people['tomas']->fresh());
    app(MoveStatus::class)($file, DealStatus::Terminated, $this->people['tomas'], 'fell through');
    $next = app(FollowOn::class)(
        $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest']),
        $this->people['tomas'],
    );
    $this->seeAll();
    expect($next->listing_number)
        ->toBe('TR-26-04182')
        ->and($next->knownFacts()->where('name', 'property.street')->value('value'))
        ->toBe('14 Lanternfish Lane')
        ->and($next->knownFacts()->where('name', 'price')->exists())
        ->toBeFalse()
        ->and($next->parties()->where('role', 'buyer')->exists())
        ->toBeFalse();
});

it('takes what the client has filled in along into the follow-on, and none of the deal’s own papers', function () {
    $file = $this->aFile();
    $disclosure = $this->paper($file, 'M-102');
    $disclosure->keepEntry('other_licensee', 'Lucian Ferro', 'client-entry-1', null);
    $this->paper($file, 'M-201')->keepEntry('excluded', 'the porch swing', 'client-entry-2', null);
    $this->actingAs($this->people['tomas']->fresh());
    app(MoveStatus::class)($file, DealStatus::Terminated, $this->people['tomas'], 'fell through');
    $next = app(FollowOn::class)(
        $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest', 'papers.values']),
        $this->people['tomas'],
    );
    $this->seeAll();
    $papers = $next->papers()->where('form_number', 'M-102')->get();
    expect($papers)
        ->toHaveCount(1)
        ->and($papers[0]->entries()['other_licensee'])
        ->toBe('Lucian Ferro')
        ->and($papers[0]->state->value)
        ->toBe('draft')
        ->and($next->papers()->where('form_number', 'M-201')->first()?->entries() ?? [])
        ->not->toHaveKey('excluded')
        ->and($disclosure->fresh()->entries()['other_licensee'])
        ->toBe('Lucian Ferro');
});

it('takes each paper of the agency into the follow-on by itself, but none that is out for signature', function () {
    $file = $this->aFile();
    $first = $this->paper($file, 'M-102');
    $paper = static fn (string $title, string $state) => Paper::query()->create([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'title' => $title,
        'form_number' => $first->form_number,
        'form_revision' => $first->form_revision,
        'stage' => 'agency',
        'state' => $state,
        'position' => 1,
    ]);
    $first->update(['state' => PaperState::Signed]);
    $sha256 = app(Bytes::class)->keep($file->brokerage_id, MadePdf::page(MadePdf::text(72, 700, 'Agency')));
    foreach ([$first, $paper('Agency disclosure, 2', 'draft'), $paper('Agency disclosure, 3', 'out')] as $one) {
        $one->addVersion($sha256, 1, $one->state === PaperState::Signed ? MadeBy::Signed : MadeBy::Sent);
    }
    app(MoveStatus::class)($file, DealStatus::Terminated, $this->people['tomas'], 'fell through');
    $next = app(FollowOn::class)(
        $file->refresh()->load(['office', 'members', 'knownFacts', 'parties', 'papers.latest']),
        $this->people['tomas'],
    );
    $this->seeAll();
    $states = $next
        ->papers()
        ->where('form_number', 'M-102')
        ->orderBy('id')
        ->get()
        ->map(static fn (Paper $own) => $own->state->value)
        ->all();
    expect($states)
        ->toEqualCanonicalizing(['signed', 'draft'])
        ->and($next->papers()->where('state', 'out')->exists())
        ->toBeFalse();
});

it('lets a listing expire the day after its last, in its office\'s own zone', function () {
    $file = $this->aFile();
    $file->update(['represents' => 'seller', 'status' => 'active']);
    $file
        ->knownFacts()
        ->updateOrCreate(
            ['name' => 'listing_expires'],
            ['brokerage_id' => $file->brokerage_id, 'value' => '2026-11-23', 'source' => 'entered', 'stored_at' => now()],
        );
    Carbon::setTestNow('2026-11-24 04:30:00 UTC');
    Artisan::call('files:sweep');
    $this->seeAll();
    expect($file->refresh()->status->value)->toBe('active');
    Carbon::setTestNow('2026-11-24 05:30:00 UTC');
    Artisan::call('files:sweep');
    Artisan::call('files:sweep');
    $this->seeAll();
    expect($file->refresh()->status->value)
        ->toBe('expired')
        ->and($file->ended_on?->iso())
        ->toBe('2026-11-23')
        ->and(DB::table('history')->where('deal_file_id', $file->id)->where('what', 'Expired')->count())
        ->toBe(1);
    Carbon::setTestNow();
});

it('labels taken files together, and only those one works on', function () {
    [$one, $two] = [$this->aFile(), $this->aFile()];
    $one->update(['labels' => ['probate']]);
    $this->as('tomas')
        ->post('/labels', ['label' => 'relocation', 'take' => [$one->key, $two->key]])
        ->assertSessionHas('told', '“relocation” is on 2 files.');
    $this->seeAll();
    expect($one->refresh()->labels)
        ->toBe(['probate', 'relocation'])
        ->and($two->refresh()->labels)
        ->toBe(['relocation']);
    $this->as('tomas')
        ->post('/labels', ['label' => 'relocation', 'take' => [$one->key]])
        ->assertSessionHas('told', '“relocation” is on one file, 0 of them new.');
    $this->as('caleb')
        ->post('/labels', ['label' => 'mine', 'take' => [$one->key]])
        ->assertSessionHas('told', 'You cannot tag any of these files.');
    $this->as('tomas')
        ->post('/labels', ['label' => 'x'])
        ->assertSessionHasErrors('take');
    $this->seeAll();
    expect($one->refresh()->labels)->toBe(['probate', 'relocation']);
});

it('labels a file, and finds it by label', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->put("/files/{$file->key}/labels", ['labels' => 'probate, "odd", re{loc}ation , probate'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->refresh()->labels)->toBe(['probate', 'odd', 'relocation']);
    $this->as('tomas')->get('/files?q=label:prob')->assertSee('14 Lanternfish');
    $this->as('tomas')->get('/files?q=-label:prob')->assertDontSee('14 Lanternfish');
});
