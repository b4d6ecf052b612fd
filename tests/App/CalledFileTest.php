<?php

declare(strict_types=1);

use App\Files\CalledFile;
use Illuminate\Support\Facades\Auth;
use Unanimus\Files\FileRefusal;
use Unanimus\Steps\StepRefused;

/** The name of the file that is meant, or why there is none. */
function meant(string $typed, ?int $but = null): string
{
    try {
        return CalledFile::find($typed, $but)->name;
    } catch (StepRefused $refused) {
        return $refused->reason instanceof FileRefusal ? $refused->reason->value : 'another reason';
    }
}

it('knows a file by its name, the beginning of it, or its number, and none of somebody else’s', function () {
    $file = $this->aFile();
    $other = $this->aFile(['property.street' => '140 Lanternfish Lane']);
    $file->update(['listing_number' => 'TR-26-77']);
    $none = FileRefusal::NotAFileOfYours->value;
    $this->as('tomas');
    Auth::setUser($this->people['tomas']);
    $name = (string) $file->refresh()->name;
    expect(meant($name))->toBe($name)
        ->and(meant('TR-26-77'))->toBe($name)
        ->and(meant((string) $file->key))->toBe($name)
        ->and(meant('14 Lan'))->toBe($name)
        ->and(meant('140'))->toBe((string) $other->refresh()->name)
        ->and(meant('14'))->toBe($none)
        ->and(meant('14%'))->toBe($none)
        ->and(meant('99 Nowhere'))->toBe($none)
        ->and(meant(''))->toBe($none)
        ->and(meant($name, $file->id))->toBe($none);
    Auth::setUser($this->people['caleb']);
    $this->as('caleb');
    expect(meant($name))->toBe($none)->and(meant('14 Lan'))->toBe($none);
});
