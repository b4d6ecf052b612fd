<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\PaperVersion;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;

/** What the page of a file asks the database, by the table that is asked. @return array<string, int> */
function askedByPage(object $test, string $path): array
{
    DB::enableQueryLog();
    DB::flushQueryLog();
    $test->as('tomas')->get($path)->assertOk();
    $log = DB::getQueryLog();
    DB::disableQueryLog();
    $asked = [];
    foreach ($log as ['query' => $query]) {
        preg_match('/\bfrom "(\w+)"/', $query, $m) === 1 && ($asked[$m[1]] = ($asked[$m[1]] ?? 0) + 1);
    }

    return $asked;
}

it('tells what a scan says as soon as it was read, also where the board was seen before, and asks once for all', function () {
    /** @var AppCase $this */
    $file = $this->aFile();
    foreach (['Their contract', 'Their survey', 'Their letter'] as $index => $title) {
        $pdf = Illuminate\Http\UploadedFile::fake()->createWithContent("{$title}.pdf", Tests\Support\MadePdf::page(
            Tests\Support\MadePdf::text(72, 700, "{$title}, and nothing of the deal."),
        ));
        $this->as('tomas')
            ->post("/files/{$file->key}/papers", ['pdf' => $pdf, 'key' => "board-paper-{$index}"], ['Accept' => 'application/json'])
            ->assertOk();
    }
    $asked = askedByPage($this, "/files/{$file->key}");
    expect($asked['version_texts'] ?? 0)->toBe(1)->and($asked['deal_files'])->toBeLessThanOrEqual(2)->and($asked['parties'])->toBe(1);
    $said = 'the terms say $412,500 now';
    $this->as('tomas')->get("/files/{$file->key}")->assertDontSee($said);
    $this->seeAll();
    $version = PaperVersion::query()->findOrFail(Paper::query()->where('title', 'Their contract')->sole()->latest_version_id);
    $price = ['name' => 'price', 'value' => '$399,000', 'quote' => 'a price of $399,000', 'page' => 1, 'place' => [72, 90, 60, 12]];
    DB::table('version_texts')->updateOrInsert(['paper_version_id' => $version->id], [
        'brokerage_id' => $file->brokerage_id,
        'paper_id' => $version->paper_id,
        'texts' => '{}',
        'words' => '',
        'said' => json_encode([$price], JSON_THROW_ON_ERROR),
    ]);
    $this->as('tomas')->get("/files/{$file->key}")->assertSee($said);
});
