<?php

declare(strict_types=1);

use App\Access\OwnSeal;
use App\Access\Roots;
use App\Models\BrokerageLimits;
use App\Models\SealedSet;
use App\Storage\Bytes;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use Tests\Support\AppCase;
use Unanimus\Evidence\SealAnswer;
use Unanimus\Evidence\SealCheck;

/** Takes a round to its seal; what that says. */
function sealSays(AppCase $case, App\Models\DealFile $file): SealCheck
{
    $round = $case->aRound($file);
    foreach (['buyer.1', 'buyer.2', 'agent.1'] as $seat) {
        $case->signs($round, $seat);
    }
    $case->work();
    $set = SealedSet::query()->where('round_id', $round->id)->whereNull('round_paper_id')->sole();

    return SealCheck::of(app(Bytes::class)->read($set->sha256), Roots::trusted());
}

it('seals in the name of the brokerage that has a seal of its own, and what was sealed before holds on', function () {
    /** @var AppCase $this */
    $folder = sys_get_temp_dir().'/seals-'.bin2hex(random_bytes(6));
    config(['unanimus.seal.own' => $folder]);
    $file = $this->aFile();
    $before = sealSays($this, $file);
    expect($before->answer)->toBe(SealAnswer::Holds);
    DB::table('brokerages')->where('id', $file->brokerage_id)->update(['name' => 'Heron Weir Homes']);
    $this->artisan('brokerage:seal', ['number' => 999_999])->assertExitCode(2);
    $this->artisan('brokerage:seal', ['number' => $file->brokerage_id, 'pem' => __FILE__])->assertExitCode(1);
    expect(is_file("{$folder}/{$file->brokerage_id}.pem"))->toBeFalse();
    $this->artisan('brokerage:seal', ['number' => $file->brokerage_id])->assertExitCode(0);
    $after = sealSays($this, $this->aFile());
    expect($after->answer)->toBe(SealAnswer::Holds)->and($after->sentence)->toContain('Heron Weir Homes Document Seal');
    $set = SealedSet::query()->whereNull('round_paper_id')->orderBy('id')->firstOrFail();
    expect(SealCheck::of(app(Bytes::class)->read($set->sha256), Roots::trusted())->answer)->toBe(SealAnswer::Holds)
        ->and(DB::table('brokerage_history')->where('what', 'Seal changed')->count())->toBe(1)
        ->and(fileperms("{$folder}/{$file->brokerage_id}.pem") & 0077)->toBe(0);
    array_map(unlink(...), glob("{$folder}/*") ?: []);
    rmdir($folder);
});

it('takes no key that is not that of its certificate', function () {
    $folder = sys_get_temp_dir().'/seals-'.bin2hex(random_bytes(6));
    config(['unanimus.seal.own' => $folder]);
    $theirs = (string) file_get_contents((string) config('unanimus.seal.key'));
    openssl_pkey_export(openssl_pkey_new(['private_key_bits' => 2048]), $other);
    preg_match_all('/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s', $theirs, $certificates);
    OwnSeal::give(1, $other.implode("\n", $certificates[0]));
})->throws(Unanimus\Evidence\SealBroken::class);

it('lets nobody but the operator say how much a brokerage may have', function () {
    /** @var AppCase $this */
    $this->as('fenna');
    $this->seeAll();
    $id = $this->people['tomas']->brokerage_id;
    expect(fn () => DB::transaction(fn () => DB::table('brokerages')->where('id', $id)->update(['most_people' => 500])))
        ->toThrow(QueryException::class)
        ->and(BrokerageLimits::peopleLeft($id))->toBeNull()
        ->and(BrokerageLimits::full($id))->toBeNull();
    $limit = fn (array $said) => $this->artisan('brokerage:limits', ['number' => $id, '--database' => 'pgsql', ...$said]);
    $limit(['--people' => 'many'])->assertExitCode(2);
    $limit(['--gigabytes' => '0'])->assertExitCode(2);
    $limit([])->assertExitCode(0);
});
