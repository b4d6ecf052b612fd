<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasKey;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Forms\PaperReading;
use Unanimus\Forms\SaidTerm;

/**
 * A paper's bytes at one time, by their SHA-256.
 *
 * @property int $id
 * @property string $key
 * @property int $paper_id
 * @property int $number
 * @property MadeBy $made_by
 * @property string $sha256
 * @property int $first_page the page of the bytes it begins on
 * @property int $pages
 * @property string|null $original_sha256 of the file as it came, where it is signed digitally or a page was cut out of it
 * @property bool $from_photo whether its pages were cut out of photos
 * @property string $note
 * @property array<string, mixed>|null $reading what stands in its blanks, where it is a form of the library, or what it says of a deal
 * @property list<string> $findings what its pages lack, in words
 * @property Carbon $made_at
 */
final class PaperVersion extends Record
{
    use HasKey;

    public $timestamps = false;

    /** @var array<string, string> */
    protected $casts = [
        'made_at' => 'datetime',
        'made_by' => MadeBy::class,
        'reading' => 'array',
        'findings' => 'array',
        'from_photo' => 'boolean',
    ];

    protected $attributes = ['reading' => null, 'findings' => '[]', 'original_sha256' => null, 'from_photo' => false];

    /** What a look at its pages found when it came in. */
    public function read(): PaperReading
    {
        return PaperReading::ofKept($this->reading, $this->findings);
    }

    /** @return list<SaidTerm> what a paper that is no form of ours says of a deal; of a scan once it was read */
    public function said(): array
    {
        $said = $this->read()->said;
        if ($said !== [] || $this->made_by !== MadeBy::Uploaded) {
            return $said;
        }
        $kept = DB::table('version_texts')->where('paper_version_id', $this->id)->value('said');

        return array_map(SaidTerm::fromArray(...), (array) json_decode((string) ($kept ?? '[]'), true));
    }
}
