<?php

declare(strict_types=1);

namespace App\Moving;

use App\Assembly\FileMessages;
use App\Files\CalendarLink;
use App\Models\Commission;
use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Paper;
use App\Models\Party;
use App\Papers\PaperPrint;
use App\Storage\Bytes;
use App\Storage\BytesMissing;
use Illuminate\Support\Facades\DB;
use Unanimus\Exchange\CsvCells;
use Unanimus\Files\Bag;
use Unanimus\Files\PaperState;

/** A file for people and for other programs: its papers by name, and what is known of it as JSON and CSV. */
final class FileFolder
{
    /** What is loaded with a file before its folder is made. */
    public const NEEDS = ['office', 'kits', 'knownFacts', 'parties', 'papers.latest', 'commissions'];

    public function __construct(private readonly Bytes $bytes)
    {
    }

    /** @param  Bag  $bag  notes what it writes */
    public function write(DealFile $file, string $folder, Bag $bag): void
    {
        foreach ($this->entries($file) as $path => $bytes) {
            $there = "{$folder}/data/{$path}";
            is_dir(dirname($there)) || mkdir(dirname($there), 0o775, true);
            file_put_contents($there, $bytes);
            $bag->add($path, $bytes);
        }
    }

    /**
     * What lies in it, one by one: of the file's own affairs what the person in front of it sees.
     *
     * @param PaperPrint|null $print papers as they are read: cut out of the set they were signed in, what is covered left
     *                               out; null: the bytes as they are kept
     * @return iterable<string, string> bytes by path
     *
     * @throws BytesMissing when something kept is gone
     */
    public function entries(DealFile $file, ?PaperPrint $print = null): iterable
    {
        $root = 'files/'.Bag::name($file->name)." {$file->key}";
        foreach ($file->papers->sortBy(['position', 'id'])->values() as $index => $paper) {
            /** @var Paper $paper */
            $version = $paper->latest;
            if ($version === null || $paper->state === PaperState::Void && $print !== null) {
                continue;
            }
            $name = sprintf('%02d %s', $index + 1, Bag::name(trim("{$paper->form_number} {$paper->title}")));
            // As it was kept; where that holds several papers, the pages of this one are named.
            $last = $version->first_page + $version->pages - 1;
            $isPart = $print === null && $version->first_page > 1;
            $pages = $isPart ? sprintf(', pages %d to %d', $version->first_page, $last) : '';
            yield "{$root}/papers/{$name}{$pages}.pdf" => $print === null
                ? $this->bytes->read($version->sha256)
                : $print->whole($paper->setRelation('file', $file));
            if ($version->original_sha256 !== null) {
                yield "{$root}/papers/{$name}, as it came" => $this->bytes->read($version->original_sha256);
            }
        }
        foreach ($this->data($file) as $name => $data) {
            yield "{$root}/{$name}.json" => json_encode($data, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE)."\n";
        }
        yield "{$root}/terms.csv" => self::csv(['Term', 'Value', 'From'], $file->knownFacts->sortBy('name')->map(
            static fn (KnownFact $fact) => [$fact->name, (string) $fact->value, (string) $fact->source],
        )->all());
        yield "{$root}/people.vcf" => $this->cards($file);
        yield "{$root}/dates.ics" => CalendarLink::of($file);
    }

    /**
     * @param list<string> $headings
     * @param iterable<list<string>> $rows
     */
    private static function csv(array $headings, iterable $rows): string
    {
        $out = fopen('php://memory', 'w+') ?: throw new \RuntimeException('No memory.');
        foreach ([$headings, ...$rows] as $row) {
            fputcsv($out, CsvCells::safe($row), ',', '"', '', "\r\n");
        }
        rewind($out);

        return "\u{FEFF}".stream_get_contents($out);
    }

    /** @return array<string, mixed> */
    private function data(DealFile $file): array
    {
        return [
            'file' => [
                'key' => $file->key,
                'name' => $file->name,
                'status' => $file->status->value,
                'represents' => $file->represents->value,
                'kind' => $file->kind->value,
                'office' => $file->office->name,
                'closed_on' => $file->closed_on,
            ],
            'terms' => $file->knownFacts->sortBy('name')->mapWithKeys(static fn (KnownFact $fact) => [
                $fact->name => ['value' => $fact->value, 'from' => $fact->source],
            ])->all(),
            'people' => $file->parties->sortBy('id')->values()->map(static fn (Party $party) => [
                'seat' => (string) $party->seat(),
                'name' => $party->name,
                'firm' => $party->firm,
                'email' => $party->email,
                'phone' => $party->phone,
            ])->all(),
            'messages' => FileMessages::of($file),
            'history' => DB::table('history')->where('deal_file_id', $file->id)->orderBy('seq')
                ->get(['seq', 'at', 'who', 'what', 'data', 'hash'])
                ->map(static fn (object $entry) => [...(array) $entry, 'data' => json_decode((string) $entry->data, true)])
                ->all(),
            'commission' => $file->commissions->sortBy('id')->values()->map(static fn (Commission $one) => [
                'side' => $one->side?->value,
                'entered' => $one->entered()->kept,
                'computed' => $one->reckoned,
                'authorized_at' => $one->authorized_at?->toIso8601ZuluString(),
            ])->all(),
        ];
    }

    /** @link https://www.rfc-editor.org/rfc/rfc6350 vCard 4.0 */
    private function cards(DealFile $file): string
    {
        $escaped = static fn (?string $text): string => addcslashes(str_replace(["\r\n", "\n"], '\n', (string) $text), ',;');
        $cards = '';
        foreach ($file->parties->sortBy('id') as $party) {
            $cards .= implode("\r\n", array_filter([
                'BEGIN:VCARD',
                'VERSION:4.0',
                "FN:{$escaped($party->name)}",
                $party->firm === null ? '' : "ORG:{$escaped($party->firm)}",
                ($party->email ?? '') === '' ? '' : "EMAIL:{$escaped($party->email)}",
                ($party->phone ?? '') === '' ? '' : "TEL:{$escaped($party->phone)}",
                "ROLE:{$escaped($party->seat()->label())}",
                'END:VCARD',
            ]))."\r\n";
        }

        return $cards;
    }
}
