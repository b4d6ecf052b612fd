<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Party;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\DealStatus;
use Unanimus\Intake\FileGuess;
use Unanimus\Intake\FileSigns;
use Unanimus\Intake\ReceivedMail;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\ToolFailed;

/** To which open file of the brokerage a letter seems to belong. */
final class GuessFile
{
    /** Files that are looked at more closely. */
    private const MOST = 60;

    /** Pages of what came along whose words are read. */
    private const PAGES = 3;

    public function __construct(private readonly Bytes $bytes)
    {
    }

    /**
     * In the application's own sight: whoever looks at the inbox later sees of the file what is theirs to see.
     *
     * @param string $pages words of the papers that came along
     */
    public function __invoke(int $brokerageId, ReceivedMail $mail, string $pages): ?FileGuess
    {
        $said = mb_substr("{$mail->subject} {$mail->text} {$pages}", 0, 60_000);
        $files = DealFile::query()
            ->with(['parties.contact', 'knownFacts'])
            ->whereIn('id', $this->near($brokerageId, $mail, $said))
            ->get();

        return FileGuess::of(
            $mail,
            array_values($files->map(self::signs(...))->all()),
            $pages,
        );
    }

    /**
     * Words of what came along. It takes its time, and no transaction waits for it.
     *
     * @param list<string> $kept SHA-256 of the papers
     */
    public function pages(array $kept): string
    {
        return implode(' ', array_map($this->words(...), array_slice($kept, 0, 6)));
    }

    /** @return list<int> files that something in the letter may mean: the database looks, so that thousands cost no more */
    private function near(int $brokerageId, ReceivedMail $mail, string $said): array
    {
        preg_match_all('/\b[A-Z]{2}-\d{2}-\d{3,8}\b/', strtoupper($said), $numbers);
        preg_match_all('/\b(\d{1,6}[a-z]?\s+\p{L}{2,}(?:\s+\p{L}{2,})?)/iu', mb_strtolower($said), $streets);
        $open = DB::table('deal_files')
            ->where('deal_files.brokerage_id', $brokerageId)
            ->whereIn('deal_files.status', DealStatus::open())
            ->where('deal_files.guest', false)
            ->where('deal_files.practice', false);
        $ids = (clone $open)
            ->where(
                static fn ($any) => $any
                    ->whereIn('mail_code', $mail->codes())
                    ->orWhereIn('listing_number', array_unique($numbers[0])),
            )
            ->limit(self::MOST)
            ->pluck('id');
        $byStreet = (clone $open)
            ->join('facts', 'facts.deal_file_id', '=', 'deal_files.id')
            ->where('facts.name', 'property.street')
            ->whereRaw('lower(facts.value) LIKE ANY (?)', [self::list(array_map(
                static fn (string $street) => preg_replace('/[^\p{L}\p{N} ]/u', '', $street).'%',
                array_slice(array_unique($streets[1]), 0, 40),
            ))])
            ->limit(self::MOST)
            ->pluck('deal_files.id');
        $byPeople = (clone $open)
            ->join('parties', 'parties.deal_file_id', '=', 'deal_files.id')
            ->leftJoin('party_contacts', 'party_contacts.party_id', '=', 'parties.id')
            ->whereNull('parties.user_id')
            ->where(
                static fn ($any) => $any
                    ->whereRaw('lower(party_contacts.email) = ANY (?)', [self::list(self::addresses($mail->sender))])
                    ->orWhereRaw('lower(parties.name) = ANY (?)', [self::list(self::names($said))]),
            )
            ->orderByDesc('deal_files.id')
            ->limit(self::MOST)
            ->pluck('deal_files.id');

        return array_values($ids->merge($byStreet)->merge($byPeople)->unique()->map(static fn ($id) => (int) $id)->all());
    }

    /** @return list<string> */
    private static function addresses(string $sender): array
    {
        preg_match_all('/[^\s<>",;]+@[^\s<>",;]+/', mb_strtolower($sender), $found);

        return $found[0];
    }

    /** @return list<string> what may be a full name: two to four words in a row that begin with a capital; in small letters */
    private static function names(string $said): array
    {
        preg_match_all("/\p{Lu}[\p{L}’'.-]*(?:\s+(?:de|del|la|van|von|of|and)?\s*\p{Lu}[\p{L}’'.-]*)+/u", $said, $runs);
        $names = [];
        foreach (array_slice($runs[0], 0, 1500) as $run) {
            $words = preg_split('/\s+/u', mb_strtolower($run)) ?: [];
            foreach (array_keys($words) as $from) {
                for ($many = 2; $many <= 5 && $from + $many <= count($words); $many++) {
                    $names[implode(' ', array_slice($words, $from, $many))] = true;
                }
            }
        }

        return array_map(strval(...), array_keys(array_slice($names, 0, 6000)));
    }

    /** @param  list<string>  $values  as PostgreSQL reads an array */
    private static function list(array $values): string
    {
        return '{'.implode(',', array_map(static fn (string $value) => '"'.addcslashes($value, '"\\').'"', $values)).'}';
    }

    private static function signs(DealFile $file): FileSigns
    {
        $people = $file->parties->filter(static fn (Party $party) => $party->user_id === null);
        $street = $file->knownFacts->first(static fn (KnownFact $fact) => $fact->name === 'property.street')->value ?? '';

        return new FileSigns(
            $file->id,
            (string) $file->getAttribute('mail_code'),
            (string) $file->listing_number,
            (string) $street,
            array_values(array_filter($people->map(static fn (Party $party) => (string) $party->email)->all())),
            array_values($people->pluck('name')->all()),
        );
    }

    private function words(string $sha256): string
    {
        try {
            $text = (new NativeTool(15))->run(['pdftotext', '-l', (string) self::PAGES, $this->bytes->path($sha256), '-']);
        } catch (ToolFailed) {
            return '';
        }

        return mb_substr(mb_scrub($text), 0, 20_000);
    }
}
