<?php

declare(strict_types=1);

namespace App\Forms\Actions;

use App\Forms\OwnShelf;
use App\Models\OwnForm;
use App\Models\User;
use App\Storage\Bytes;
use Illuminate\Support\Facades\DB;
use Unanimus\Forms\DraftItem;
use Unanimus\Forms\DraftRefused;
use Unanimus\Forms\FormDraft;
use Unanimus\Forms\FormRefusal;
use Unanimus\Forms\FoundItems;
use Unanimus\Forms\Library;
use Unanimus\Forms\Proposal;
use Unanimus\Intake\BringRefused;
use Unanimus\Intake\Converter;
use Unanimus\Pages\FieldFill;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\PdfRefused;
use Unanimus\Pages\Press;
use Unanimus\Pages\Scratch;
use Unanimus\Pages\ToolFailed;
use Unanimus\Requirements\Stage;
use Unanimus\Steps\StepRefused;

/** Makes forms of the brokerage’s own out of PDFs, changes them while they are made, puts them in force and retires them. */
final class KeepOwnForm
{
    /** A form longer than this is a booklet; reading its pages would take minutes. */
    public const MOST_PAGES = 40;

    public function __construct(
        private readonly Converter $converter,
        private readonly Press $press,
        private readonly Bytes $bytes,
        private readonly Library $library,
        private readonly OwnShelf $shelf,
    ) {
    }

    /**
     * Begins a form from a file: its fields become blanks; on flat pages what they seem to ask for is proposed.
     *
     * @throws BringRefused when the file cannot be taken
     */
    public function begin(User $by, string $path, string $name): OwnForm
    {
        [$sha256, $pages, $found, $notes] = $this->read($by->brokerage_id, $path);
        $title = trim((string) preg_replace('/[\s_]+/u', ' ', pathinfo(mb_scrub($name), PATHINFO_FILENAME))) ?: 'New form';
        $draft = new FormDraft($pages, []);
        if (count($found->items) > FormDraft::MOST) {
            $notes[] =
                'A form may have '.FormDraft::MOST.' blanks and marks; of '.count($found->items).' found, the first were used.';
        }
        foreach ($found->items as $item) {
            $draft =
                count($draft->items) < FormDraft::MOST && isset($pages[$item->page - 1])
                    ? $draft->with($item, count($draft->items))
                    : $draft;
        }

        return OwnForm::create([
            'brokerage_id' => $by->brokerage_id,
            'title' => mb_strimwidth($title, 0, 120, '…'),
            'stage' => 'contract',
            'sha256' => $sha256,
            'pages' => $pages,
            'items' => self::kept($draft),
            'source' => mb_strimwidth(mb_scrub($name), 0, 200, '…'),
            'notes' => [...$notes, ...$found->notes],
            'revision' => now()->format('Y-m'),
            'user_id' => $by->id,
        ]);
    }

    /**
     * The next revision of a form in force, in the making; on the pages of another PDF where one is given.
     *
     * @throws BringRefused when the file cannot be taken
     * @throws StepRefused when its next revision is being made already
     */
    public function revise(OwnForm $own, User $by, ?string $path = null, string $name = ''): OwnForm
    {
        $making = OwnForm::query()->where('number', $own->number)->where('status', 'making')->first();
        if ($making !== null) {
            throw FormRefusal::NextIsStarted->because(number: $own->number, title: $making->title);
        }
        $pages = null;
        $sha256 = $own->sha256;
        $notes = [];
        if ($path !== null) {
            [$sha256, $pages, , $notes] = $this->read($by->brokerage_id, $path, false);
        }
        $draft = FormDraft::after(OwnShelf::form($own), $pages);
        $kept = array_values(array_filter($draft->items, static fn (DraftItem $item) => isset($draft->pages[$item->page - 1])));
        count($kept) === count($draft->items) ||
            ($notes[] =
                'There are fewer pages: '.
                (count($draft->items) - count($kept)).
                ' blanks and marks of the pages that are gone were left out.');

        return OwnForm::create([
            'brokerage_id' => $by->brokerage_id,
            'number' => $own->number,
            'revision' => self::next($own),
            'title' => $own->title,
            'stage' => $own->stage,
            'sha256' => $sha256,
            'pages' => $draft->pages,
            'items' => self::kept(new FormDraft($draft->pages, $kept)),
            'source' => $path === null ? $own->source : mb_strimwidth(mb_scrub($name), 0, 200, '…'),
            'notes' => $notes,
            'user_id' => $by->id,
        ]);
    }

    /**
     * One change of a form in the making; the same key again changes nothing.
     *
     * @param array<string, mixed> $change "do": put, drop, move, order, about; with "item", "id", "to", or what it is about
     *
     * @throws StepRefused when it cannot be kept
     */
    public function change(OwnForm $own, array $change, string $key, User $by): OwnForm
    {
        $own = OwnForm::query()->whereKey($own->id)->lockForUpdate()->firstOrFail();
        if (DB::table('own_form_changes')->where('own_form_id', $own->id)->where('client_key', $key)->exists()) {
            return $own;
        }
        $this->mustBeInTheMaking($own);
        $new = DB::table('own_form_changes')->insertOrIgnore([
            'brokerage_id' => $own->brokerage_id,
            'own_form_id' => $own->id,
            'change' => json_encode($change, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE),
            'client_key' => $key,
            'user_id' => $by->id,
        ]);
        if ($new === 0) {
            return $own;
        }
        try {
            $draft = $own->draft();
            $id = is_string($change['id'] ?? null) ? $change['id'] : '';
            $at = isset($change['to']) ? (int) $change['to'] : null;
            match ($change['do'] ?? '') {
                'put' => ($own->items = self::kept($draft->with(DraftItem::fromArray((array) ($change['item'] ?? [])), $at))),
                'drop' => ($own->items = self::kept($draft->without($id))),
                'move' => ($own->items = self::kept($draft->moved($id, (int) $at))),
                'order' => ($own->items = self::kept($draft->inReadingOrder())),
                'about' => $this->about($own, $change),
                default => throw new DraftRefused('That is not a change to the form. Nothing was changed.'),
            };
        } catch (DraftRefused $refused) {
            throw StepRefused::unreadable($refused);
        }
        $own->save();

        return $own;
    }

    /**
     * Puts a form in force: from now on papers are begun on it; those begun on an earlier revision keep theirs.
     *
     * @throws StepRefused when something is still to be put right
     */
    public function putInForce(OwnForm $own): OwnForm
    {
        $own = OwnForm::query()->whereKey($own->id)->lockForUpdate()->firstOrFail();
        $this->mustBeInTheMaking($own);
        if (preg_match(Library::NUMBER, $own->number) !== 1) {
            throw FormRefusal::NoNumber->because();
        }
        if ($this->library->isBuiltIn($own->number)) {
            throw FormRefusal::NumberOfLibrary->because(number: $own->number);
        }
        if (
            $own->revision === '' ||
            OwnForm::query()
                ->where('number', $own->number)
                ->where('revision', $own->revision)
                ->whereIn('status', ['in_force', 'superseded', 'retired'])
                ->exists()
        ) {
            throw FormRefusal::RevisionTaken->because(number: $own->number, revision: $own->revision);
        }
        try {
            OwnShelf::form($own);
        } catch (DraftRefused $refused) {
            throw StepRefused::unreadable($refused);
        }
        OwnForm::query()
            ->where('number', $own->number)
            ->whereIn('status', ['in_force', 'retired'])
            ->update(['status' => 'superseded']);
        $own->update(['status' => 'in_force', 'published_at' => now()]);
        $this->shelf->forget();

        return $own;
    }

    /** Retires a form, or takes it up again. Papers on it stay as they are. @throws StepRefused when it is in neither state */
    public function toggleRetired(OwnForm $own): OwnForm
    {
        $to =
            ['in_force' => 'retired', 'retired' => 'in_force'][$own->status] ??
            throw FormRefusal::NotActive->because();
        $own->update(['status' => $to]);
        $this->shelf->forget();

        return $own;
    }

    /** Gives up a form in the making. It is kept out of sight. @throws StepRefused when it has been put in force */
    public function drop(OwnForm $own): void
    {
        $this->mustBeInTheMaking($own);
        $own->update(['status' => 'dropped']);
    }

    private function mustBeInTheMaking(OwnForm $own): void
    {
        $own->isInTheMaking() || throw FormRefusal::IsActive->because();
    }

    /** @param  array<string, mixed>  $change */
    private function about(OwnForm $own, array $change): void
    {
        $text = static fn (string $key): string => trim(
            (string) preg_replace('/\s+/u', ' ', is_string($change[$key] ?? null) ? $change[$key] : (string) $own->getAttribute($key)),
        );
        [$number, $revision, $title, $stage] = [
            mb_strtoupper($text('number')),
            $text('revision'),
            mb_substr($text('title'), 0, 120),
            $text('stage'),
        ];
        if ($title === '' || ! in_array($stage, Stage::keys(), true)) {
            throw new DraftRefused('A form needs a name and a stage. The old ones were kept.');
        }
        if (($number !== '' && preg_match(Library::NUMBER, $number) !== 1) || preg_match('/^[0-9A-Za-z.-]{0,12}$/', $revision) !== 1) {
            throw new DraftRefused(
                'A number is one to three letters, a hyphen and up to four digits, such as QR-12. A revision has letters, digits, dots, '.
                    'and hyphens, such as 2026-11.',
            );
        }
        $own->fill(['number' => $number, 'revision' => $revision, 'title' => $title, 'stage' => $stage]);
    }

    /**
     * @return array{string, list<array{float, float}>, FoundItems, list<string>} the flat pages' SHA-256, their sizes, what they ask for,
     *                                                                            what was done
     *
     * @throws BringRefused
     */
    private function read(int $brokerageId, string $path, bool $look = true): array
    {
        $scratch = new Scratch();
        $found = null;
        try {
            $fields = self::isPdf($path) ? PdfFields::of(PdfLook::into($path)) : null;
            if ($fields !== null && $fields->all() !== []) {
                $found = FoundItems::ofFields($fields);
                $path = $scratch->put('emptied.pdf', FieldFill::emptied($path, $this->press));
            }
            $brought = $this->converter->toPdf($path);
            if ($brought->pages > self::MOST_PAGES) {
                throw new BringRefused(
                    'A form may have '.
                        self::MOST_PAGES.
                        " pages; this file has {$brought->pages}. Upload only the part that gets filled in.",
                );
            }
            // What is filled in is laid over the part of a page that is shown.
            $bytes = $this->press->writeOver($scratch->put('brought.pdf', $brought->pdf), []);
            $flat = $scratch->put('pages.pdf', $bytes);
            if ($found === null || $found->items === []) {
                $found = FoundItems::ofProposal($look ? Proposal::of($flat) : []);
                $look &&
                    ($found->notes[] =
                        $found->items === []
                            ? 'No places to fill in were found. Add the blanks by hand.'
                            : 'We suggested blanks where the pages seem to have them. Check each one.');
            }

            return [
                $this->bytes->keep($brokerageId, $bytes),
                PdfLook::into($flat)->pages(),
                $found,
                array_values(array_filter($brought->notes, static fn (string $note) => ! str_contains($note, 'became a part of the page'))),
            ];
        } catch (PdfRefused $refused) {
            throw new BringRefused($refused->getMessage(), previous: $refused);
        } catch (ToolFailed $failed) {
            throw new BringRefused('We could not read this file as a form. Print it to PDF and upload that.', previous: $failed);
        }
    }

    private static function isPdf(string $path): bool
    {
        return str_contains((string) file_get_contents($path, false, null, 0, 1024), '%PDF-');
    }

    /** @return list<array<string, mixed>> */
    private static function kept(FormDraft $draft): array
    {
        return array_map(static fn (DraftItem $item) => $item->toArray(), $draft->items);
    }

    private static function next(OwnForm $own): string
    {
        $month = now()->format('Y-m');

        return $own->revision < $month ? $month : $own->revision.'b';
    }
}
