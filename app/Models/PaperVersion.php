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

    /**
     * What papers that are no form of ours say of a deal, by version; of a scan once it was read.
     *
     * @param array<self> $versions
     * @return array<int, list<SaidTerm>>
     */
    public static function saidIn(array $versions): array
    {
        $said = array_column(array_map(static fn (self $one) => [$one->id, $one->read()->said], $versions), 1, 0);
        $scans = array_filter($versions, static fn (self $one) => $said[$one->id] === [] && $one->made_by === MadeBy::Uploaded);
        $kept = $scans === [] ? [] : DB::table('version_texts')
            ->whereIn('paper_version_id', array_column($scans, 'id'))
            ->pluck('said', 'paper_version_id');
        foreach ($kept as $id => $terms) {
            $said[$id] = array_map(SaidTerm::fromArray(...), (array) json_decode((string) $terms, true));
        }

        return $said;
    }

    /** @return list<SaidTerm> */
    public function said(): array
    {
        return self::saidIn([$this])[$this->id];
    }
}
