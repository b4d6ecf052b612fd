<?php

declare(strict_types=1);

use App\Files\Actions\KeepTasks;
use App\Files\NewTask;
use App\Models\User;
use App\Overview\Today;
use App\Overview\TodayRow;
use App\Papers\Actions\BringIn;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Files\MadeBy;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\Scratch;

it('enters a term that nobody has entered yet for the whole file, and leaves one that stands alone', function () {
    $file = $this->aFile(['closing' => '', 'possession' => '']);
    $paper = $this->paper($file, 'M-201');
    $bound = collect($paper->form()->blanks)->first(fn ($blank) => $blank->binding === 'closing');
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => $bound->name, 'value' => '12/18/2026', 'key' => 'empty-term-1'])
        ->assertOk();
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'closing')->value('value'))
        ->toBe('2026-12-18')
        ->and(DB::table('paper_values')->where('paper_id', $paper->id)->where('blank', $bound->name)->value('value'))
        ->toBeNull();
    // Once it stands, another entry on a page is asked about first.
    $this->as('tomas')
        ->postJson("/papers/{$paper->key}/entries", ['blank' => $bound->name, 'value' => '12/21/2026', 'key' => 'empty-term-2'])
        ->assertOk()
        ->assertJsonPath('ask.there', 'December 18, 2026');
    $this->seeAll();
    expect($file->knownFacts()->where('name', 'closing')->value('value'))->toBe('2026-12-18');
});

it('submits several papers at once, and says of each that cannot be why', function () {
    $file = $this->aFile();
    $round = $this->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
        $this->work();
    }
    $keys = [
        $this->paper($file, 'M-102')->key,
        $this->paper($file, 'M-201')->key,
        $file->papers()->where('title', 'Closing statement')->value('key'),
    ];
    $this->as('tomas')
        ->post("/files/{$file->key}/submissions", ['papers' => $keys])
        ->assertRedirect("/files/{$file->key}")
        ->assertSessionHas(
            'refused',
            fn (string $told) => str_contains($told, 'Submitted 1 paper') &&
                str_contains($told, 'not signed yet') &&
                str_contains($told, 'has not arrived'),
        );
    $this->seeAll();
    expect($file->requirements()->where('review_state', 'submitted')->pluck('title')->all())->toBe(['Agency disclosure']);
    $this->as('tomas')
        ->post("/files/{$file->key}/submissions", ['papers' => []])
        ->assertSessionHasErrors('papers');
    $this->as('caleb')
        ->post("/files/{$file->key}/submissions", ['papers' => $keys])
        ->assertNotFound();
});

it('proposes the day of acceptance once everyone asked has signed the contract, and flags a contract that nobody signed', function () {
    $file = $this->aFile();
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee('Everyone signed the contract');
    foreach ($this->paper($file, 'M-201')->form()->blanks as $blank) {
        $blank->required &&
            $blank->binding === null &&
            app(App\Papers\Actions\StoreEntry::class)(
                $this->paper($file, 'M-201'),
                $blank->name,
                $blank->kind->value === 'tick' ? 'x' : '1',
                "hands:{$blank->name}",
            );
    }
    $round = $this->aRound($file->refresh(), ['M-201']);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $this->signs($round, $seat);
        $this->work();
    }
    $today = $file->office->today();
    // The sellers are asked by their own agent: as long as they have not signed, not everyone has, also where nobody knows who they are.
    $unsigned = fn () => $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee('Everyone signed the contract');
    $unsigned();
    $this->seeAll();
    DB::table('parties')->where('deal_file_id', $file->id)->where('role', 'seller')->delete();
    $unsigned();
    $this->seeAll();
    // As a round that their own agent sends for the same paper leaves it.
    $copy = static fn (string $table, array $of, array $with): int => DB::table($table)->insertGetId([
        ...array_diff_key((array) DB::table($table)->where($of)->first(), ['id' => 0]),
        ...$with,
    ]);
    $key = static fn () => ['key' => strtolower((string) Str::ulid())];
    $second = $copy('rounds', ['id' => $round->id], ['status' => 'drafting', ...$key()]);
    $copy('round_papers', ['round_id' => $round->id], ['round_id' => $second]);
    $copy('signers', ['round_id' => $round->id, 'seat' => 'buyer.1'], ['round_id' => $second, 'seat' => 'seller.1', ...$key()]);
    DB::table('rounds')->where('id', $second)->update(['status' => 'complete']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertSee('Everyone signed the contract on')
        ->assertSee("Set acceptance to {$today->short($today->year())}, ");
    $this->as('wendell')
        ->post("/files/{$file->key}/acceptance", ['day' => $today->iso(), 'time' => '17:20'])
        ->assertSessionHas('told');
    $this->seeAll();
    expect($file->knownFacts()->whereIn('name', ['acceptance', 'acceptance_time'])->pluck('value', 'name')->all())
        ->toEqualCanonicalizing(['acceptance' => $today->iso(), 'acceptance_time' => '17:20']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertDontSee('Everyone signed the contract')
        ->assertSee('Under contract')
        ->assertDontSee('is signed by everyone. Upload');
    $this->seeAll();
    $other = $this->aFile(['acceptance' => '2026-11-20']);
    $this->as('tomas')
        ->get("/files/{$other->key}")
        ->assertOk()
        ->assertSee('is signed by everyone. Upload');
});

it('does not take a contract from outside that came in for a signed one', function () {
    $file = $this->aFile();
    $scratch = new Scratch();
    $path = $scratch->put('contract.pdf', press()->print([(new Drawing(612, 792))->text(60, 90, 12, 'Purchase agreement')]));
    Auth::setUser($this->people['tomas']);
    app(BringIn::class)($file, $path, 'Purchase agreement.pdf');
    Auth::forgetGuards();
    $this->as('tomas')->get("/files/{$file->key}")->assertOk()->assertDontSee('The signed contract was uploaded');
});

it('settles every seat of a form whose signed scan was accepted, with the pages of the scan', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $paper->addVersion(
        app(Bytes::class)->keep($file->brokerage_id, press()->print([new Drawing(612, 792)])),
        5,
        MadeBy::Uploaded,
        'signed on paper',
    );
    DB::table('papers')
        ->where('id', $paper->id)
        ->update(['state' => 'signed']);
    $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->assertSee('M-102 · 5 pages')
        ->assertSee('Sunniva has to sign');
    $this->seeAll();
    DB::table('requirements')
        ->where('paper_id', $paper->id)
        ->update(['review_state' => 'accepted']);
    $html = (string) $this->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->getContent();
    preg_match('~<tr class="row"[^>]*data-owes="([^"]*)"[^>]*data-state="accepted"~', $html, $row);
    expect($row[1] ?? null)->toBe('');
});

it('shows on Today the most overdue first, all of it, with what can be done on the spot', function () {
    $file = $this->aFile(['acceptance' => $this->day(-40), 'closing' => $this->day(20)]);
    Auth::setUser($this->people['tomas']);
    foreach (range(1, 11) as $late) {
        app(KeepTasks::class)->add(
            $file->refresh(),
            new NewTask("Task {$late}", $this->day(-$late)),
            $this->people['tomas'],
        );
    }
    $today = Today::of($this->people['tomas']->fresh() ?? new User(), 'month');
    $tasks = array_values(array_filter($today->mine, fn (TodayRow $row) => str_starts_with($row->what, 'Task')));
    expect($tasks)
        ->toHaveCount(11)
        ->and($tasks[0]->what)
        ->toBe('Task 11')
        ->and($tasks[0]->day)
        ->toBe('11 days late')
        ->and($tasks[10]->day)
        ->toBe('1 day late');
    $left = array_map(fn (TodayRow $row) => $row->left, $today->mine);
    $sorted = $left;
    sort($sorted);
    expect($left)
        ->toBe($sorted)
        ->and(collect($today->mine)->first(fn (TodayRow $row) => str_contains($row->what, 'Loan approval'))?->act['to'])
        ->toContain('/deadlines/');
    Auth::forgetGuards();
    $this->as('tomas')
        ->get('/')
        ->assertOk()
        ->assertSee(count($today->mine) - 8 .' more');
    $this->as('tomas')->get('/?group=file')->assertOk()->assertSee('Show by urgency')->assertSee('Task 1');
    // What is done on the row is done, and one is back on Today.
    $this->as('tomas')
        ->from('/')
        ->post((string) $tasks[0]->act['to'], ['tasks' => [$tasks[0]->act['with']['tasks[]']], 'do' => 'done'])
        ->assertRedirect('/');
    $this->seeAll();
    expect(DB::table('tasks')->where('title', 'Task 11')->whereNotNull('done_at')->count())->toBe(1);
});

it('opens what fits alone from the search field, shows what matched, and finds by who owes and by dates', function () {
    $file = $this->aFile(['acceptance' => $this->day(-40), 'closing' => $this->day(20)]);
    $this->aRound($file->refresh());
    $this->as('tomas')
        ->get('/files?go=1&q=lanternfish')
        ->assertRedirect("/files/{$file->key}");
    $this->as('tomas')->get('/files?q=lanternfish')->assertOk()->assertSee('14 Lanternfish Lane');
    $this->as('tomas')->get('/files?q=sunniva')->assertOk()->assertSee('Sunniva Eide');
    foreach (
        [
            'owes:buyer.2' => true,
            'owes:buyer' => true,
            'owes:seller' => false,
            'late:deadline' => true,
            'late:closing' => false,
            'next:late' => true,
            'next:today' => false,
            'owes:' => true,
            'owes:nguyen' => true,
            'owes:me' => false,
            'late:' => true,
            'late:inspection' => true,
            'late:survey' => false,
            'next:' => true,
            'next:survey' => false,
            'late:5' => false,
            'status:nowhere' => false,
        ] as $query => $found
    ) {
        $answer = $this->as('tomas')
            ->get('/files?q='.urlencode($query))
            ->assertOk();
        $found ? $answer->assertSee('14 Lanternfish Lane') : $answer->assertDontSee('14 Lanternfish Lane');
    }
    $this->as('tomas')
        ->get('/files?columns[]=client&columns[]=next&columns[]=owes&columns[]=coordinator')
        ->assertOk()
        ->assertSee('Sunniva Eide, José Nguyễn-Ortiz')
        ->assertSee('days late')
        ->assertSee('Wendell Achterberg');
});
