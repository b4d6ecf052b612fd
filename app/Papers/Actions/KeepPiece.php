<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\History\History;
use App\Models\Paper;
use App\Models\PaperPiece;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\LayerKind;
use Unanimus\Pages\LayerPiece;
use Unanimus\Pages\LayerRefusal;
use Unanimus\Pages\PageWords;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Rect;
use Unanimus\Steps\Reason;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Kind;

/** Puts text, ticks, dates, lines and covers over the pages of a paper, and takes them off, until it is signed or handed in. */
final class KeepPiece
{
    private const MOST = 400;

    public function __construct(private readonly Bytes $bytes)
    {
    }

    /**
     * Puts a piece on a page, or in another's stead; the same key again changes nothing.
     *
     * @param array{kind: string, page: int|string, place: array<mixed>, text?: string|null} $given
     * @param string|null $instead key of the piece it replaces
     *
     * @throws StepRefused when the paper takes none, or this one cannot be put there
     */
    public function put(Paper $paper, array $given, string $clientKey, ?string $instead = null): void
    {
        if ($this->isKept($paper, $clientKey)) {
            return;
        }
        $paper = $this->locked($paper);
        if ($this->isKept($paper, $clientKey)) {
            return;
        }
        $kind = LayerKind::tryFrom($given['kind']) ?? throw LayerRefusal::NoSuchKind->because();
        if ($kind === LayerKind::Cover && $paper->isDraft()) {
            throw LayerRefusal::CoversForm->because();
        }
        if ($kind === LayerKind::Cover && $paper->change_of !== null) {
            throw LayerRefusal::CoversSigned->because();
        }
        [$path, $sizes] = $this->pages($paper);
        $page = (int) $given['page'];
        $size = $sizes[$page - 1] ?? throw LayerRefusal::NoSuchPage->because(page: $page);
        $place = self::place($given['place'], $size);
        $text = $kind->isWritten() ? $this->text($paper, $kind, (string) ($given['text'] ?? '')) : '';
        $old = $instead === null ? null : $this->standing($paper, $instead);
        if ($old === null && PaperPiece::standing($paper)->count() >= self::MOST) {
            throw LayerRefusal::Full->because();
        }
        $places = $kind->followsWords() ? LayerPiece::over($place, PageWords::of($path, $page)[$page] ?? []) : [$place];
        $new = PaperPiece::create([
            'brokerage_id' => $paper->brokerage_id,
            'deal_file_id' => $paper->deal_file_id,
            'paper_id' => $paper->id,
            'version' => PaperPiece::versionOf($paper),
            'page' => $page,
            'kind' => $kind,
            'places' => array_map(static fn (Rect $one) => $one->toArray(), $places),
            'text' => $text,
            'replaces' => $old?->id,
            'client_key' => $clientKey,
            'user_id' => Auth::id(),
            'gone_at' => null,
            'gone_by' => null,
        ]);
        $old?->update(['gone_at' => now(), 'gone_by' => Auth::id()]);
        $this->tell($paper, $old === null ? 'Put on a page' : 'Changed on a page', $new);
    }

    /** @throws StepRefused when the paper takes no changes any more */
    public function takeOff(Paper $paper, string $key): void
    {
        $paper = $this->locked($paper);
        $piece = PaperPiece::query()->where('paper_id', $paper->id)->where('key', $key)->firstOrFail();
        // Taken off already is as good as taken off now.
        $piece =
            $piece->gone_at !== null && ! PaperPiece::query()->where('replaces', $piece->id)->exists()
                ? null
                : $this->standing($paper, $key);
        if ($piece !== null) {
            $piece->update(['gone_at' => now(), 'gone_by' => Auth::id()]);
            $this->tell($paper, 'Taken off a page', $piece);
        }
    }

    private function isKept(Paper $paper, string $clientKey): bool
    {
        return PaperPiece::query()->where('paper_id', $paper->id)->where('client_key', $clientKey)->exists();
    }

    /**
     * The piece as it stands now, where one has changed it oneself since the page was drawn.
     *
     * @throws StepRefused when someone else has changed it or taken it off
     */
    private function standing(Paper $paper, string $key): PaperPiece
    {
        $piece = PaperPiece::query()->where('paper_id', $paper->id)->where('key', $key)->firstOrFail();
        while ($piece->gone_at !== null) {
            $next = PaperPiece::query()->where('paper_id', $paper->id)->where('replaces', $piece->id)->first();
            if ($next === null || $next->user_id !== Auth::id()) {
                $who =
                    User::query()
                        ->whereKey($next === null ? $piece->gone_by : $next->user_id)
                        ->value('name') ?? 'Someone';
                throw ($next === null ? LayerRefusal::RemovedMeanwhile : LayerRefusal::ChangedMeanwhile)->because(who: $who);
            }
            $piece = $next;
        }

        return $piece;
    }

    /** Whether anything may be put on it now; else why not. */
    public static function refusal(Paper $paper): ?Reason
    {
        $version = $paper->latest;
        $refusal = $paper->refusesChange();

        return match (true) {
            $refusal !== null, $paper->isDraft() => $refusal,
            $version === null => PaperState::Expected->refusesChange(),
            $version->made_by === MadeBy::Signed => PaperState::Signed->refusesChange(),
            $version->made_by === MadeBy::Exchange => LayerRefusal::ListingAsItStood,
            $version->made_by === MadeBy::Computed => LayerRefusal::AuthorizedFigures,
            $version->original_sha256 !== null && ! $version->from_photo => LayerRefusal::DigitallySigned,
            default => null,
        };
    }

    private function locked(Paper $paper): Paper
    {
        DB::table('papers')->where('id', $paper->id)->lockForUpdate()->value('state');
        $paper = $paper->refresh()->load(['latest', 'requirement', 'file.office']);
        $refusal = self::refusal($paper);

        return $refusal === null ? $paper : throw $refusal->because();
    }

    /** @return array{string, list<array{float, float}>} */
    private function pages(Paper $paper): array
    {
        $form = $paper->form();
        if ($paper->isDraft() && $form !== null) {
            return [$form->pdf, $form->pages];
        }
        $path = $this->bytes->path((string) $paper->latest?->sha256);

        return [$path, PdfLook::into($path, gate: false)->pages()];
    }

    /**
     * @param array<mixed> $given
     * @param array{float, float} $size
     */
    private static function place(array $given, array $size): Rect
    {
        $given = array_values($given);
        if (count($given) !== 4 || array_filter($given, is_numeric(...)) !== $given) {
            throw LayerRefusal::OffThePage->because();
        }
        [$width, $height] = [max(2.0, min((float) $given[2], $size[0])), max(2.0, min((float) $given[3], $size[1]))];

        return new Rect(
            max(0.0, min((float) $given[0], $size[0] - $width)),
            max(0.0, min((float) $given[1], $size[1] - $height)),
            $width,
            $height,
        );
    }

    private function text(Paper $paper, LayerKind $kind, string $typed): string
    {
        try {
            $text = Kind::Lines->parse($typed, $paper->file->office->today());
            $text =
                $text === '' || $kind === LayerKind::Text
                    ? $text
                    : Kind::Date->show(Kind::Date->parse($text, $paper->file->office->today()));
        } catch (EntryUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable);
        }

        return $text !== '' ? $text : throw LayerRefusal::NoText->because();
    }

    private function tell(Paper $paper, string $what, PaperPiece $piece): void
    {
        History::add(
            $paper->brokerage_id,
            $paper->deal_file_id,
            $what,
            array_filter(
                ['paper' => $paper->title, 'page' => $piece->page, 'what' => $piece->kind->label(), 'text' => $piece->text],
                static fn (mixed $value) => $value !== '',
            ),
            new SeenBy($paper->side, $paper->staff_only),
        );
    }
}
