<?php

declare(strict_types=1);

namespace App\Papers\Jobs;

use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Party;
use App\Models\Sight;
use App\Models\Upload;
use App\Storage\Bytes;
use App\Work\Work;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\MadeBy;
use Unanimus\Finding\Query;
use Unanimus\Forms\Form;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\PrintedPaper;
use Unanimus\Forms\SaidTerm;
use Unanimus\Forms\SaidTerms;
use Unanimus\Forms\UnwrittenPlaces;
use Unanimus\Intake\ProposedPart;
use Unanimus\Intake\StackPart;
use Unanimus\Intake\StackReader;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\ToolFailed;
use Unanimus\Pages\Word;
use Unanimus\Parties\PartyRole;
use Unanimus\Signing\PrintedNames;
use Unanimus\Signing\Seat;
use Unanimus\Signing\SeenPlace;

/**
 * Reads a version that came from outside, pictures too, which takes seconds a page: what stands on it, for finding it; where its
 * form has places without ink, for review; and whether it holds several papers, which its uploader is then asked about.
 */
final class ReadUpload extends Work
{
    public const KIND = 'uploads-read';

    /** Pages up to which pictures are read unasked: what is longer is sorted on the table. */
    private const MOST = 60;

    /** Pages up to which those that are but pictures are looked at for places to sign. */
    private const MOST_PICTURES = 20;

    public int $timeout = 3600;

    protected function work(): void
    {
        $version = Sight::within($this->brokerageId, fn (): ?PaperVersion => PaperVersion::query()->find($this->thing));
        if ($version === null || $version->pages > self::MOST || $version->first_page > 1) {
            return;
        }
        $path = app(Bytes::class)->path($version->sha256);
        try {
            $words = PageWords::of($path);
            $each = fn (int $page) => $page % 20 === 0 && $this->holdOn();
            $read = self::hasPictures($words, $version->pages) ? (new StackReader(app(Library::class)))->read($path, $each) : null;
        } catch (PdfRefused|ToolFailed) {
            return;
        }
        $texts = $read['texts'] ?? array_map(
            static fn (array $page) => implode(' ', array_map(static fn (Word $word) => $word->text, $page)),
            $words,
        );
        $parts = $read['parts'] ?? [];
        // What is no picture was read when it came in.
        $isOurs = $version->read()->form !== null || (isset($parts[0]) && $parts[0]->form !== '');
        $said = $read === null || $isOurs || count($parts) > 1 ? [] : SaidTerms::in($read['words'], $this->today($version));
        $unwritten = count($parts) > 1 ? null : $this->unwritten($path, $version, $parts, $texts);
        $seen = $unwritten === null && count($parts) < 2 ? $this->seen($path, $version) : [];
        Sight::within($this->brokerageId, function () use ($version, $texts, $unwritten, $parts, $seen, $said): void {
            DB::table('version_texts')->updateOrInsert(['paper_version_id' => $version->id], [
                'brokerage_id' => $this->brokerageId,
                'paper_id' => $version->paper_id,
                'texts' => json_encode((object) $texts, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
                'words' => Query::plain(implode("\n", $texts)),
                'unwritten' => $unwritten === null ? null : json_encode($unwritten->toArray(), JSON_THROW_ON_ERROR),
                'said' => json_encode(array_map(static fn (SaidTerm $one) => $one->toArray(), $said), JSON_THROW_ON_ERROR),
                'places' => json_encode(array_map(static fn (SeenPlace $one) => $one->toArray(), $seen), JSON_THROW_ON_ERROR),
            ]);
            count($parts) > 1 && $this->ask($version, $parts);
        });
    }

    /** Today where its file is. */
    private function today(PaperVersion $version): LocalDate
    {
        return Sight::within(
            $this->brokerageId,
            static fn () => Paper::query()->with('file.office')->findOrFail($version->paper_id)->file->office->today(),
        );
    }

    /** @return list<SeenPlace> where a paper of no form is to be signed by those of its file, and whether somebody has */
    private function seen(string $path, PaperVersion $version): array
    {
        $people = Sight::within($this->brokerageId, static fn () => Party::query()
            ->whereIn('deal_file_id', Paper::query()->whereKey($version->paper_id)->select('deal_file_id'))
            ->get());
        // The broker who reads it may have to sign, whether the file names one or not.
        $seats = array_values($people->map(static fn (Party $party) => $party->seat())
            ->keyBy(static fn (Seat $seat) => (string) $seat)
            ->put((string) Seat::at(PartyRole::Broker), Seat::at(PartyRole::Broker))
            ->all());
        $names = $people->mapWithKeys(static fn (Party $party) => [
            (string) $party->seat() => $party->kind === 'person' ? $party->name : (string) $party->signed_by,
        ])->all();
        try {
            return SeenPlace::on($path, $seats, PrintedNames::of($names), $version->pages <= self::MOST_PICTURES);
        } catch (PdfRefused|ToolFailed) {
            return [];
        }
    }

    /**
     * @param list<ProposedPart> $parts
     * @param array<int, string> $texts
     */
    private function unwritten(string $path, PaperVersion $version, array $parts, array $texts): ?UnwrittenPlaces
    {
        $library = app(Library::class);
        $known = $version->read()->form;
        try {
            $form = match (true) {
                $known !== null => $library->form($known->form, $known->revision),
                ($parts[0]->form ?? '') !== '' => $library->form($parts[0]->form),
                default => null,
            };
        } catch (FormUnknown) {
            return null;
        }
        $pages = $form === null ? [] : ($known->pages ?? UnwrittenPlaces::pages($form, $texts));

        return $form === null || $pages === [] ? null : UnwrittenPlaces::of($path, $form, $pages, $this->printed($version, $form));
    }

    /** The paper as it was printed before it came back, when it was made here on the same form. */
    private function printed(PaperVersion $version, Form $form): ?PrintedPaper
    {
        $before = Sight::within($this->brokerageId, static fn (): ?PaperVersion => PaperVersion::query()
            ->where('paper_id', $version->paper_id)
            ->where('number', '<', $version->number)
            ->where('made_by', '!=', MadeBy::Uploaded)
            ->where('pages', count($form->pages))
            ->orderByDesc('number')
            ->first());

        return $before === null
            ? null
            : new PrintedPaper(app(Bytes::class)->path($before->sha256), $before->first_page, $before->read()->form->values ?? []);
    }

    /**
     * It holds several papers: asked as long as it stands where it came, and nobody has said what it is.
     *
     * @param list<ProposedPart> $parts
     */
    private function ask(PaperVersion $version, array $parts): void
    {
        $upload = Upload::query()->lockForUpdate()->where('version_id', $version->id)->where('state', 'done')->first();
        if ($upload === null || $upload->parts !== []) {
            return;
        }
        $upload->update(['is_question' => true, 'parts' => array_map(
            static fn (ProposedPart $part) => new StackPart($part->form, $part->heading, $part->first, $part->last - $part->first + 1),
            $parts,
        )]);
    }

    /** @param  array<int, list<Word>>  $words */
    private static function hasPictures(array $words, int $pages): bool
    {
        foreach (range(1, $pages) as $page) {
            if (count($words[$page] ?? []) < 5) {
                return true;
            }
        }

        return false;
    }
}
