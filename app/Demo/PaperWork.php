<?php

declare(strict_types=1);

namespace App\Demo;

use App\Files\Actions\KeepTasks;
use App\Files\Agenda;
use App\Models\Actor;
use App\Models\DealFile;
use App\Models\Paper;
use App\Models\Requirement;
use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Papers\Actions\BringIn;
use App\Papers\Actions\CareForPaper;
use App\Papers\Actions\StoreEntry;
use App\Papers\PaperPrint;
use App\Review\Actions\Decide;
use App\Review\Actions\MeetRequirement;
use App\Review\Actions\SubmitPaper;
use App\Signing\Actions\ComposeRound;
use App\Signing\Actions\RecordEvent;
use App\Signing\Actions\SealSet;
use App\Signing\Actions\SendRound;
use App\Storage\Bytes;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\Auth;
use Unanimus\Dates\LocalDate;
use Unanimus\Forms\Blank;
use Unanimus\Forms\MarkPlace;
use Unanimus\Pages\Drawing;
use Unanimus\Pages\NativeTool;
use Unanimus\Pages\Press;
use Unanimus\Pages\Rect;
use Unanimus\Pages\Scratch;
use Unanimus\Signing\AdoptedSignature;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\MarkKind;
use Unanimus\Signing\RoundEvent;

/** What the demo's people do with papers, by the same actions that their clicks call. */
final class PaperWork
{
    private const PEN = __DIR__.'/../../library/fonts/dancing-script-latin-400-normal.ttf';

    public function __construct(
        private readonly Story $story,
        private readonly StoreEntry $storeEntry,
        private readonly ComposeRound $compose,
        private readonly SendRound $send,
        private readonly RecordEvent $record,
        private readonly SealSet $seal,
        private readonly SubmitPaper $submit,
        private readonly Decide $decide,
        private readonly MeetRequirement $meet,
        private readonly BringIn $bringIn,
        private readonly CareForPaper $care,
        private readonly KeepTasks $tasks,
        private readonly Press $press,
        private readonly Bytes $bytes,
    ) {
    }

    /** @param  array<string, string>  $entries */
    public function fill(DealFile $file, string $form, array $entries): void
    {
        $paper = $this->paper($file, $form);
        foreach ($entries as $blank => $value) {
            ($this->storeEntry)($paper, $blank, $value, "seed:{$blank}");
        }
    }

    public function paper(DealFile $file, string $form): Paper
    {
        return $file->papers()->where('form_number', $form)->firstOrFail();
    }

    /** @param  list<string>  $forms */
    public function round(DealFile $file, array $forms, User $by, string $message = ''): Round
    {
        $file->refresh()->load(['office', 'parties', 'knownFacts', 'papers']);
        $round = ($this->compose)($file, array_map(fn (string $form) => $this->paper($file, $form), $forms), $by);
        $round->update(['message' => $message]);
        $round->setRelation('file', $file);
        ($this->send)($round);

        return $round;
    }

    /**
     * A round that everyone signs, the first signers at once, each of the others at the day and hour given.
     *
     * @param list<string> $forms
     * @param array<string, array{int, string}> $when by seat; who is not named signs with the first
     */
    public function signedByAll(DealFile $file, array $forms, User $by, array $when = []): void
    {
        $round = $this->round($file, $forms, $by);
        $signers = $round->refresh()->load('signers')->signers;
        foreach ($signers->sortBy(static fn (Signer $signer) => [$signer->turn, isset($when[$signer->seat]), $signer->id]) as $signer) {
            isset($when[$signer->seat]) && $this->story->at(...$when[$signer->seat]);
            $this->sign($round, $signer->seat);
        }
        ($this->seal)($round->refresh());
    }

    /**
     * A listing is taken: its owner is told whom the agent acts for, and signs the agreement.
     *
     * @param array<string, string> $sheet what the owner says of the property, where there is an input sheet
     */
    public function listed(DealFile $file, User $by, LocalDate $day, array $sheet): void
    {
        $file->refresh()->load(['office', 'members', 'knownFacts', 'papers']);
        $this->fill($file, 'M-105', ['received' => $day->iso()]);
        $this->fill($file, 'M-101', [
            'exclusive' => 'x',
            'protect_days' => '60',
            'at_closing' => 'x',
            'offer_none' => 'x',
            'internet_yes' => 'x',
            'both_yes' => 'x',
        ]);
        $sheet === [] || $this->fill($file, 'Q-20', $sheet);
        $this->signedByAll($file, ['M-105', 'M-101', ...$sheet === [] ? [] : ['Q-20']], $by);
    }

    /** Submits the paper on a form, or of a title, and has it accepted. */
    public function accepted(DealFile $file, string $which, User $by, User $broker): void
    {
        $requirement = $this->submitted($file, $which, $by);
        $this->as($broker, fn () => $this->decide->accept($requirement, $broker));
    }

    /** The sign stands at the listing, and the broker saw its picture. */
    public function signPlaced(DealFile $file, User $by, User $broker): void
    {
        $this->meet->done($file->papers()->where('title', 'Yard sign placed')->firstOrFail(), 'at the drive, seen from both sides');
        $this->accepted($file, 'Yard sign placed', $by, $broker);
    }

    /** What somebody else does in between. */
    public function as(User $who, callable $does): void
    {
        $before = Auth::user();
        Auth::setUser($who);
        $does();
        $before === null || Auth::setUser($before);
    }

    public function submitted(DealFile $file, string $which, User $by, ?CarbonInterface $neededBy = null, string $why = ''): Requirement
    {
        $requirement = $file
            ->requirements()
            ->whereHas('paper', static fn ($paper) => $paper->where('form_number', $which)->orWhere('title', $which))
            ->firstOrFail();
        ($this->submit)($requirement, $by, $neededBy, $why);

        return $requirement;
    }

    /** Tasks that were due before today are done, each on its day; a deal on its way has nothing lying about. */
    public function tasksDone(DealFile $file, User $by): void
    {
        $file->refresh()->load(['office', 'knownFacts', 'kits', 'tasks']);
        $agenda = Agenda::of($file);
        foreach ($file->tasks->whereNull('done_at') as $task) {
            $due = $agenda->due($task, $file);
            if ($due === null || ! $due->isBefore($this->story->today())) {
                continue;
            }
            $this->story->at(-$due->daysUntil($this->story->today()), '15:05');
            $this->tasks->mark($task, true, $by);
        }
    }

    /** @param  list<string>  $lines  what the paper says */
    public function uploaded(DealFile $file, string $title, array $lines): void
    {
        $scratch = new Scratch();
        $expected = $file->papers()->where('title', $title)->firstOrFail();
        ($this->bringIn)($file, $scratch->put('paper.pdf', $this->page($title, $lines)), "{$title}.pdf", $expected);
    }

    /**
     * What the other side sends back: a form as it was signed here, printed, signed by pen, and scanned.
     *
     * @param array<string, string> $names by seat, of those who sign there
     * @param array<string, string> $blanks what they write into others
     */
    public function returned(DealFile $file, string $form, array $names, LocalDate $day, array $blanks = []): void
    {
        $paper = $this->paper($file, $form)->load('latest');
        $scratch = new Scratch();
        $tool = new NativeTool(60);
        // Signed here before, or printed as it is filled.
        $pdf = $paper->latest === null
            ? $scratch->put(
                'filled.pdf',
                app(PaperPrint::class)->of($paper->load(['file.knownFacts', 'file.parties', 'file.papers', 'values'])),
            )
            : $this->bytes->path($paper->latest->sha256);
        $tool->run(['pdftocairo', '-jpeg', '-gray', '-r', '110', $pdf, $scratch->path('page')]);
        $pages = glob($scratch->path('page').'*.jpg') ?: [];
        foreach ($pages as $index => $page) {
            self::byPen($page, [
                ...array_map(
                    static fn (MarkPlace $mark) => [$mark->place, ...self::inked($mark->kind, $names[(string) $mark->seat], $day)],
                    array_filter(
                        $paper->form()->marks ?? [],
                        static fn (MarkPlace $mark) => $mark->page === $index + 1 && isset($names[(string) $mark->seat]),
                    ),
                ),
                ...array_map(
                    static fn (Blank $blank) => [$blank->place, $blanks[$blank->name], 11],
                    array_filter(
                        $paper->form()->blanks ?? [],
                        static fn (Blank $blank) => $blank->page === $index + 1 && isset($blanks[$blank->name]),
                    ),
                ),
            ]);
        }
        $tool->run(['img2pdf', ...$pages, '-o', $scratch->path('scan.pdf')]);
        $this->care->replace($paper, $scratch->path('scan.pdf'), "{$paper->title}, countersigned.pdf");
    }

    /** @return array{string, int} what a pen writes there, and how large */
    private static function inked(MarkKind $kind, string $name, LocalDate $day): array
    {
        return match ($kind) {
            MarkKind::Signature => [$name, 17],
            MarkKind::Initials => [(string) preg_replace('/\B\p{L}+|\s/u', '', $name), 13],
            MarkKind::Date => [$day->slashed(), 11],
            default => [$name, 11],
        };
    }

    /** @param  array<array{Rect, string, int}>  $written  where, what, and how large */
    private static function byPen(string $page, array $written): void
    {
        $picture = imagecreatefromjpeg($page) ?: throw new \RuntimeException("{$page} cannot be read");
        $ink = (int) imagecolorallocate($picture, 28, 36, 84);
        foreach ($written as [$place, $text, $size]) {
            [$x, $foot] = [(int) (($place->x + 2) * 110 / 72), (int) (($place->y + $place->height - 2) * 110 / 72)];
            imagettftext($picture, $size, 1.5, $x, $foot, $ink, self::PEN, $text);
        }
        imagejpeg($picture, $page, 72);
    }

    /**
     * A paper that nobody here has seen, brought in and laid out to be signed: its places were found, and wait to be looked at.
     *
     * @param list<string> $lines what the paper says
     * @param list<string> $signs who signs at its foot, as the paper calls them
     */
    public function fromOutside(DealFile $file, string $title, array $lines, array $signs, User $by): void
    {
        $page = (new Drawing(612, 792))->text(60, 90, 18, $title, weight: 'bold');
        foreach ($lines as $index => $line) {
            $page->text(60, 130 + 20 * $index, 11, $line);
        }
        foreach ($signs as $index => $who) {
            $foot = 420 + 62 * $index;
            $page->line(60, $foot, 320, $foot)->text(60, $foot + 14, 9, "{$who} signature");
            $page->line(360, $foot, 500, $foot)->text(360, $foot + 14, 9, 'Date');
        }
        $scratch = new Scratch();
        ($this->bringIn)($file, $scratch->put('paper.pdf', $this->press->print([$page])), "{$title}.pdf");
        $paper = $file->papers()->where('title', $title)->firstOrFail();
        ($this->compose)($file->refresh()->load(['office', 'parties', 'knownFacts', 'papers', 'members']), [$paper], $by);
    }

    /** @param  list<string>  $lines  what the paper says */
    public function scanned(DealFile $file, string $form, array $lines): void
    {
        $scratch = new Scratch();
        $paper = $this->paper($file, $form)->setRelation('file', $file);
        $this->care->replace($paper, $scratch->put('paper.pdf', $this->page($paper->title, $lines)), "{$paper->title}, signed.pdf");
    }

    /** @param  list<string>  $lines */
    private function page(string $title, array $lines): string
    {
        $page = (new Drawing(612, 792))->text(60, 90, 18, $title, weight: 'bold');
        foreach ($lines as $index => $line) {
            $page->text(60, 130 + 26 * $index, 11, $line);
        }

        return $this->press->print([$page]);
    }

    public function sign(Round $round, string $seat): void
    {
        $signer = Signer::query()->where('round_id', $round->id)->where('seat', $seat)->firstOrFail();
        $this->act($round, $seat, EventKind::Opened, "opened:{$seat}");
        $this->act($round, $seat, EventKind::Consented, "consented:{$seat}");
        $hands = array_keys(AdoptedSignature::HANDS);
        $signature = AdoptedSignature::typed($signer->name, $signer->initials, $hands[$signer->id % 4]);
        $this->act($round, $seat, EventKind::Adopted, "adopted:{$seat}", ['hand' => $signature->hand, 'signature' => $signature->digest()]);
        $signer->refresh()->update(['adopted' => $signature->toArray()]);
        foreach (
            $round
                ->refresh()
                ->load(['signers', 'marks', 'events'])
                ->state()
                ->owes($seat) as $mark
        ) {
            $this->act($round, $seat, EventKind::Marked, "mark:{$seat}:{$mark}", ['mark' => $mark]);
        }
        $this->act($round, $seat, EventKind::Finished, "finished:{$seat}");
    }

    /** @param  array<string, mixed>  $data */
    public function act(Round $round, string $seat, EventKind $kind, string $once, array $data = []): void
    {
        $actor = app(Actor::class);
        $signer = $round->signers()->where('seat', $seat)->first();
        $actor->isFromOutside($signer?->name);
        ($this->record)($round, new RoundEvent($kind, $seat, $data), $once, ['address' => '127.0.0.1', 'device' => 'demo']);
        $actor->isFromOutside(null);
    }
}
