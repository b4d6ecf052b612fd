<?php

declare(strict_types=1);

use App\Models\DealFile;
use App\Models\Round;
use App\Models\SigningMark;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Crypt;
use Unanimus\Dates\LocalDate;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundStatus;

it('reads attributes as Eloquent would, though past it where they are simple', function () {
    $round = $this->aRound($this->aFile());
    $mark = SigningMark::query()->where('round_id', $round->id)->firstOrFail();
    // The first reading asks Eloquent, those after it do not.
    foreach ([1, 2, 3] as $_) {
        expect($mark->kind)
            ->toBeInstanceOf(MarkKind::class)
            ->and($mark->id)
            ->toBeInt()
            ->and($mark->terms)
            ->toBe([])
            ->and($mark->sure)
            ->toBeNull()
            ->and($mark->position)
            ->toBeInt()
            ->and($round->status)
            ->toBe(RoundStatus::Out)
            ->and($round->rehearsal)
            ->toBeFalse()
            ->and($round->last_day)
            ->toBeInstanceOf(LocalDate::class)
            ->and($round->sent_at)
            ->toBeInstanceOf(Carbon::class)
            ->and($round->file)
            ->toBeInstanceOf(DealFile::class)
            ->and($round->file->parties->firstWhere('name', 'Sunniva Eide')?->email)
            ->toContain('@')
            ->and($this->people['tomas']->second_factor)
            ->toBeNull()
            ->and($round->nothing_of_that_name ?? 'none')
            ->toBe('none');
    }
});

it('reads what was set as it was set, whatever it was before', function () {
    $mark = new SigningMark();
    $mark->forceFill(['kind' => MarkKind::Date, 'terms' => ['hint' => 'as on the deed'], 'sure' => 0.5]);
    expect([$mark->kind, $mark->terms, $mark->sure])->toBe([MarkKind::Date, ['hint' => 'as on the deed'], 0.5]);
    $mark->forceFill(['kind' => 'initials', 'terms' => [], 'sure' => null]);
    expect([$mark->kind, $mark->terms, $mark->sure])->toBe([MarkKind::Initials, [], null]);
    $round = new Round();
    expect($round->rehearsal)->toBeFalse();
    $round->rehearsal = true;
    expect($round->rehearsal)->toBeTrue();
    // A secret is kept sealed and read open.
    $user = new User();
    $user->setRawAttributes(['second_factor' => Crypt::encryptString('JBSWY3DPEHPK3PXP')]);
    expect([$user->second_factor, $user->second_factor])->toBe(['JBSWY3DPEHPK3PXP', 'JBSWY3DPEHPK3PXP']);
});
