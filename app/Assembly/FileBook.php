<?php

declare(strict_types=1);

namespace App\Assembly;

use App\History\Sentence;
use App\Models\DealFile;
use App\Models\KnownFact;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Party;
use App\Models\Remark;
use App\Models\Requirement;
use App\Papers\PaperPrint;
use App\Storage\Bytes;
use App\Terms\When;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\Bag;
use Unanimus\Files\PaperState;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\SetPart;
use Unanimus\Review\RecordPages;
use ZipArchive;

/**
 * Everything of a file in one: as a PDF with bookmarks and the record of review, and as a folder that an archive can prove
 * (BagIt). Of it all, what whoever asks may see.
 */
final class FileBook
{
    public function __construct(private readonly PaperPrint $print, private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /** The PDF. */
    public function pdf(DealFile $file): string
    {
        $scratch = new Scratch();
        $parts = [new SetPart('Record of review', $scratch->put('record.pdf', $this->press->print($this->record($file))))];
        foreach ($this->papers($file) as $index => $paper) {
            $title = trim("{$paper->form_number} {$paper->title}");
            $parts[] = new SetPart($title, $scratch->put("{$index}.pdf", $this->print->whole($paper)));
        }

        $messages = FileMessages::printed($file);
        if ($messages !== []) {
            $pages = $this->press->print(RecordPages::of($file->name, $messages, 'Messages'));
            $parts[] = new SetPart('Messages', $scratch->put('messages.pdf', $pages));
        }

        return $this->press->assemble($parts, static fn (int $page, int $count) => "{$page} / {$count}", "File book: {$file->name}");
    }

    /** The folder, as a ZIP that is written to a path. */
    public function folder(DealFile $file, string $path): void
    {
        WholeZip::write($path, fn (ZipArchive $zip) => $this->fill($zip, $file));
    }

    private function fill(ZipArchive $zip, DealFile $file): void
    {
        $root = Bag::name($file->name);
        $bag = new Bag();
        $put = static function (string $name, string $bytes) use ($zip, $bag, $root): void {
            $bag->add($name, $bytes);
            $zip->addFromString("{$root}/data/{$name}", $bytes);
        };
        foreach ($this->papers($file) as $index => $paper) {
            $name = sprintf('%02d %s', $index + 1, Bag::name(trim("{$paper->form_number} {$paper->title}")));
            $put("papers/{$name}.pdf", $this->print->whole($paper));
            foreach ($paper->versions()->whereNotNull('original_sha256')->orderBy('number')->get() as $version) {
                /** @var PaperVersion $version */
                $put("originals/{$name}, version {$version->number}.pdf", $this->bytes->read((string) $version->original_sha256));
            }
        }
        $put('record of review.pdf', $this->press->print($this->record($file)));
        foreach ($this->data($file) as $name => $data) {
            $put("{$name}.json", json_encode($data, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE));
        }
        $about = [
            'Source-Organization' => $file->office->name,
            'External-Description' => "Deal file {$file->name}",
            'External-Identifier' => $file->key,
            'Bagging-Date' => $file->office->today()->iso(),
        ];
        foreach ($bag->tags($about) as $name => $bytes) {
            $zip->addFromString("{$root}/{$name}", $bytes);
        }
    }

    /** @return list<Paper> what there is to read, in its order */
    private function papers(DealFile $file): array
    {
        return array_values(
            $file->papers
                ->filter(static fn (Paper $paper) => $paper->state !== PaperState::Void && ($paper->isDraft() || $paper->latest !== null))
                ->each(static fn (Paper $paper) => $paper->setRelation('file', $file))
                ->sortBy('position')
                ->all(),
        );
    }

    /** @return non-empty-list<\Unanimus\Pages\Drawing> */
    private function record(DealFile $file): array
    {
        $zone = $file->office->zone;
        $names = DB::table('users')->pluck('name', 'id');

        return RecordPages::of($file->name, array_values($file->requirements->sortBy('position')->map(
            static fn (Requirement $one) => [
                'title' => $one->title,
                'stands' => $one->review_state->label(),
                'lines' => array_values(array_filter([
                    $one->submitted_at === null
                        ? ''
                        : 'Submitted '.When::list($one->submitted_at, $zone).' by '.($names[$one->submitted_by] ?? 'someone'),
                    match (true) {
                        $one->decided_at === null => '',
                        $one->acceptedEarlier() !== '' => "Accepted {$one->acceptedEarlier()}",
                        default => 'Decided '.When::list($one->decided_at, $zone).' by '.
                            ($names[$one->getAttribute('decided_by')] ?? 'someone'),
                    },
                    $one->note === '' ? '' : "Note: {$one->note}",
                    ...$one->remarks->whereNotNull('sent_at')->map(
                        static fn (Remark $remark) => ($remark->page === null ? 'Remark: ' : "Remark, page {$remark->page}: ").
                            $remark->text.($remark->answer === '' ? '' : " Answer: {$remark->answer}"),
                    )->all(),
                ])),
            ],
        )->all()));
    }

    /** @return array<string, mixed> terms, people and history, as anybody's tools read them */
    private function data(DealFile $file): array
    {
        $zone = $file->office->zone;

        return [
            'terms' => $file->knownFacts->mapWithKeys(static fn (KnownFact $fact) => [
                $fact->name => ['value' => $fact->value, 'from' => $fact->source],
            ])->all(),
            'people' => $file->parties->map(static fn (Party $party) => [
                'seat' => "{$party->role->value}.{$party->number}",
                'name' => $party->name,
                'firm' => $party->firm,
                'email' => $party->email,
                'phone' => $party->phone,
            ])->values()->all(),
            'review' => $file->requirements->sortBy('position')->map(static fn (Requirement $one) => [
                'title' => $one->title,
                'stage' => $one->stage,
                'state' => $one->review_state->value,
                'submitted' => $one->submitted_at?->toIso8601String(),
                'decided' => $one->decided_at?->toIso8601String(),
                'remarks' => $one->remarks->whereNotNull('sent_at')->map(static fn (Remark $remark) => [
                    'page' => $remark->page,
                    'text' => $remark->text,
                    'answer' => $remark->answer,
                    'resolved' => $remark->resolved_at?->toIso8601String(),
                ])->values()->all(),
            ])->values()->all(),
            'messages' => FileMessages::of($file),
            'history' => DB::table('history')->where('deal_file_id', $file->id)->orderBy('seq')->get()->map(static fn (object $entry) => [
                'at' => Carbon::parse($entry->at)->setTimezone($zone)->toIso8601String(),
                'who' => $entry->who,
                'what' => Sentence::of($entry->what, (array) json_decode($entry->data, true)),
            ])->all(),
        ];
    }
}
