<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Papers\Actions\StoreEntry;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;

/** What the board says of a paper's next step. */
function nextStep(DealFile $file, string $title): string
{
    $html = (string) test()
        ->as('tomas')
        ->get("/files/{$file->key}")
        ->assertOk()
        ->getContent();
    preg_match('~'.preg_quote($title, '~').'</a>.*?</tr>~s', $html, $row);

    return preg_match('~(Fill [^<]+|Send for signature|Submit|Bring in|See round)~', $row[0] ?? '', $m) === 1 ? trim($m[1]) : '';
}

it('reckons a board once and again as soon as anything it rests on is another', function (callable $change, string $after) {
    $file = $this->aFile();
    expect(nextStep($file, 'Lead-based paint disclosure'))
        ->toBe('Fill 2 blanks')
        ->and(nextStep($file, 'Lead-based paint disclosure'))
        ->toBe('Fill 2 blanks');
    $change->call($this, $file);
    $this->seeAll();
    expect(nextStep($file, 'Lead-based paint disclosure'))->toBe($after);
})->with([
    'an entry' => [
        function (DealFile $file) {
            $this->as('tomas')
                ->postJson('/papers/'.$this->paper($file, 'M-230')->key.'/entries', [
                    'blank' => 'known_no',
                    'value' => 'x',
                    'key' => 'reckoned-1',
                ])
                ->assertOk();
        },
        'Fill 1 blank',
    ],
    'an entry made past the page' => [
        function (DealFile $file) {
            Auth::setUser($this->people['tomas']);
            foreach (['known_no', 'reports_no'] as $blank) {
                app(StoreEntry::class)($this->paper($file, 'M-230'), $blank, 'x', "reckoned:{$blank}");
            }
        },
        'Send for signature',
    ],
    'a fact' => [
        function (DealFile $file) {
            $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.year_built', 'value' => '']);
            $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.year_built', 'value' => '1950']);
            $this->as('tomas')->put("/files/{$file->key}/facts", ['name' => 'property.street', 'value' => '']);
        },
        'Fill 3 blanks',
    ],
]);

it('reads what was reckoned without reading a form, and reckons anew for another release', function () {
    $file = $this->aFile();
    nextStep($file, 'Lead-based paint disclosure');
    $place = "reckoned:{$file->id}";
    $kept = Cache::get($place);
    expect($kept)->toBeArray();
    $index = $this->paper($file, 'M-230')->key;
    $kept['papers'][$index][0] = 41;
    Cache::put($place, $kept, 60);
    expect(nextStep($file, 'Lead-based paint disclosure'))->toBe('Fill 41 blanks');
    config(['unanimus.build' => 'another']);
    expect(nextStep($file, 'Lead-based paint disclosure'))->toBe('Fill 2 blanks');
});

it('knows a paper’s latest version by itself, whoever added it', function () {
    $file = $this->aFile();
    $paper = $this->paper($file, 'M-102');
    $sum = app(App\Storage\Bytes::class)->keep($file->brokerage_id, '%PDF-1.4 one');
    $first = $paper->addVersion($sum, 1, MadeBy::Uploaded);
    expect($paper->latest?->id)
        ->toBe($first->id)
        ->and($paper->fresh()->latest?->id)
        ->toBe($first->id);
    DB::insert(
        'INSERT INTO paper_versions (key, brokerage_id, deal_file_id, paper_id, number, made_by, sha256, pages) VALUES '.
            "('01ARZ3NDEKTSV4RRFFQ69G5FAV', ?, ?, ?, 2, 'uploaded', ?, 1)",
        [$file->brokerage_id, $file->id, $paper->id, $sum],
    );
    expect($paper->fresh()->latest?->number)
        ->toBe(2)
        ->and($paper->fresh()->load('versions')->versions->pluck('number')->all())
        ->toBe([1, 2]);
});

it('never shows one side what was reckoned for the other', function () {
    $file = $this->aFile();
    $file->update(['represents' => 'both']);
    DB::table('file_members')
        ->where('deal_file_id', $file->id)
        ->where('user_id', $this->people['tomas']->id)
        ->update(['side' => 'buyer']);
    DB::table('file_members')->insert([
        'brokerage_id' => $file->brokerage_id,
        'deal_file_id' => $file->id,
        'user_id' => $this->people['priya']->id,
        'role' => 'agent',
        'side' => 'seller',
        'joined_at' => now()->subDay(),
    ]);
    $own = $this->paper($file, 'M-230');
    $own->update(['side' => 'buyer']);
    foreach (['tomas', 'priya', 'tomas'] as $who) {
        $answer = $this->as($who)
            ->get("/files/{$file->key}")
            ->assertOk()
            ->assertSee('Purchase agreement');
        $who === 'tomas' ? $answer->assertSee('Lead-based paint disclosure') : $answer->assertDontSee('Lead-based paint disclosure');
    }
    $kept = json_encode(Cache::get("reckoned:{$file->id}"));
    $this->as('priya')->get("/files/{$file->key}");
    expect(json_encode(Cache::get("reckoned:{$file->id}")))->not->toBe($kept)->not->toContain($own->key);
});
