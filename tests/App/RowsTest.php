<?php

declare(strict_types=1);

use App\Models\DealFile;

it('reads each row as one of its own', function () {
    $this->aFile();
    $this->aFile();
    $this->seeAll();
    [$one, $other] = DealFile::query()->orderBy('id')->get()->all();
    $one->name = 'Changed and not stored';
    $one->setRelation('office', null);
    expect($other->name)->not->toBe('Changed and not stored')
        ->and($other->relationLoaded('office'))->toBeFalse()
        ->and($one->isDirty('name'))->toBeTrue()
        ->and($other->isDirty())->toBeFalse()
        ->and([$other->exists, $other->wasRecentlyCreated, $other->getTable()])->toBe([true, false, 'deal_files'])
        ->and(DealFile::query()->withCasts(['name' => 'array'])->first()->getCasts()['name'])->toBe('array')
        ->and(DealFile::query()->first()->getCasts())->not->toHaveKey('name')
        ->and((new DealFile())->exists)->toBeFalse();
});
