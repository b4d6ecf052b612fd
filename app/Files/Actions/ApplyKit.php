<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Access\Sight;
use App\Files\FactBook;
use App\Files\Models\DealFile;
use App\Files\Models\Party;
use App\Files\SearchRow;
use App\History\History;
use App\Papers\Models\Paper;
use App\Requirements\KitShelf;
use App\Requirements\RuleShelf;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\FileName;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Forms\Library;
use Unanimus\Requirements\CallSheet;
use Unanimus\Requirements\Kit;
use Unanimus\Requirements\KitItem;
use Unanimus\Requirements\Stage;
use Unanimus\Review\ReviewState;
use Unanimus\Signing\Seat;
use Unanimus\Terms\Facts;

/**
 * Brings the file's papers, checklist and tasks in line with its kits, the house's rules and its facts: adds what is
 * called for, takes back what no longer is and nobody has touched. It works on the whole file, whoever's entry set it off.
 */
final class ApplyKit
{
    private bool $waits = false;

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * Many changes of one file, followed by one look at what they call for.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    public function afterwards(DealFile $file, callable $work): mixed
    {
        if ($this->waits) {
            return $work();
        }
        $this->waits = true;
        try {
            $result = $work();
        } finally {
            $this->waits = false;
        }
        $this($file->refresh());

        return $result;
    }

    public function __invoke(DealFile $file): void
    {
        if ($this->waits) {
            $file->unsetRelations();

            return;
        }
        Sight::asTheFile($file->id, function () use ($file): void {
            $file->unsetRelations();
            $facts = FactBook::of($file);
            $name = FileName::from($facts);
            if ($name !== $file->name && $name !== 'New file') {
                $file->update(['name' => $name]);
            }
            $this->takeKits($file, $facts);
            $this->settle($file, $facts);
            SearchRow::keep($file);
            $file->unsetRelations();
            $file->countSettled();
        });
    }

    /** Applies a kit by hand: what is there already stays, what is missing is added. */
    public function byHand(DealFile $file, string $key, int $version): void
    {
        Sight::asTheFile($file->id, function () use ($file, $key, $version): void {
            $kit = KitShelf::get($key, $version);
            if (! $file->kits()->where('kit', $key)->exists()) {
                $this->attach($file, $kit, $version, false);
            }
        });
        $this($file);
    }

    /** What applying a kit would add, before it is applied. */
    public static function preview(DealFile $file, Kit $kit): CallSheet
    {
        $facts = FactBook::of($file);
        $there = $file->papers->where('state', '<>', PaperState::Void)->map(static fn (Paper $paper) => $paper->form_number ?? mb_strtolower($paper->title))->all();
        $missing = array_values(array_filter($kit->items, static fn (KitItem $item) => ! in_array($item->identity(), $there, true)));

        return CallSheet::of([], $missing, $facts);
    }

    private function takeKits(DealFile $file, Facts $facts): void
    {
        if (! $file->status->isOpen()) {
            return;
        }
        $held = $file->kits->keyBy('kit');
        foreach (KitShelf::applyingThemselves($file->office_id, $file->opened_by) as ['kit' => $kit, 'version' => $version]) {
            $applies = $kit->appliesTo($facts);
            $row = $held->get($kit->key);
            if ($applies && $row === null) {
                $this->attach($file, $kit, $version, true);
            } elseif (! $applies && $row !== null && $row->by_itself) {
                $row->delete();
                $file->tasks()->where('origin', $kit->key)->whereNull('done_at')->delete();
                History::add($file->brokerage_id, $file->id, 'Kit no longer applies', ['kit' => $kit->name], SeenBy::everyone());
            }
        }
        $file->unsetRelation('kits');
    }

    private function attach(DealFile $file, Kit $kit, int $version, bool $byItself): void
    {
        $new = DB::table('file_kits')->insertOrIgnore(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id, 'kit' => $kit->key, 'version' => $version, 'by_itself' => $byItself]);
        if ($new === 0) {
            // Somebody else's change applied it at the same moment, with its tasks and contacts.
            return;
        }
        History::add($file->brokerage_id, $file->id, 'Kit applied', ['kit' => $kit->name, 'by itself' => $byItself ? 'yes' : 'no'], SeenBy::everyone());
        $people = $file->members()->pluck('user_id', 'role');
        foreach ($kit->tasks as $task) {
            $file->tasks()->where('origin', $kit->key)->where('title', $task->title)->exists() || $file->tasks()->create([
                'brokerage_id' => $file->brokerage_id, 'title' => $task->title, 'anchor' => $task->anchor, 'days' => $task->days, 'business' => $task->businessDays, 'origin' => $kit->key,
                'user_id' => $people[$task->for] ?? $people['agent'] ?? $people->first(),
            ]);
        }
        foreach ($kit->contacts as $contact) {
            $seat = Seat::of("{$contact['role']}.1");
            if (! $file->parties()->where('role', $seat->role)->exists()) {
                $party = $file->parties()->create(['brokerage_id' => $file->brokerage_id, 'role' => $seat->role, 'number' => 1, 'name' => $contact['name'], 'signing_name' => $contact['name'], 'initials' => Party::initialsOf($contact['name']), 'firm' => $contact['firm'] ?: null]);
                $party->reach(['email' => $contact['email'] ?: null, 'phone' => $contact['phone'] ?: null]);
            }
        }
    }

    private function settle(DealFile $file, Facts $facts): void
    {
        $kits = $file->kitDefinitions();
        $sheet = CallSheet::of($kits, RuleShelf::asks(), $facts);
        $answers = array_merge([], ...array_map(static fn (Kit $kit) => $kit->answers, array_reverse($kits)));
        $stages = array_flip(Stage::keys());
        $order = array_flip($sheet->order);
        $wanted = [];
        foreach ($sheet->called as ['item' => $item, 'reasons' => $reasons]) {
            $wanted[$item->identity()] = true;
            $reason = implode('; ', $reasons);
            $paper = $this->paperFor($file, $item);
            if ($paper === null || $paper->state === PaperState::Void) {
                $this->add($file, $item, $reason, ($stages[$item->stage] + 1) * 1000 + $order[$item->identity()] * 10, $answers, $paper);
            } else {
                $this->follow($file, $paper, $item, $reason);
            }
        }
        foreach ($file->papers as $paper) {
            $called = $paper->called_by === 'rule' || array_filter($sheet->idle, static fn (KitItem $item) => $item->identity() === ($paper->form_number ?? mb_strtolower($paper->title))) !== [];
            if ($called && $paper->state !== PaperState::Void && ! isset($wanted[$paper->form_number ?? mb_strtolower($paper->title)])) {
                $this->takeBack($file, $paper);
            }
        }
    }

    /** A paper that is there already: why it is asked for, and since a colleague joined for the other side, whose own it is. */
    private function follow(DealFile $file, Paper $paper, KitItem $item, string $reason): void
    {
        $paper->reason === $reason || $paper->update(['reason' => $reason, 'called_by' => 'rule']);
        if ($file->side === 'both' && $item->side !== null && $paper->side === null) {
            $paper->update(['side' => $item->side]);
            $file->requirements()->where('paper_id', $paper->id)->update(['side' => $item->side]);
        }
    }

    private function paperFor(DealFile $file, KitItem $item): ?Paper
    {
        $same = $file->papers->filter(static fn (Paper $paper) => $item->form === null ? $paper->form_number === null && mb_strtolower($paper->title) === $item->identity() : $paper->form_number === $item->form);

        return $same->first(static fn (Paper $paper) => $paper->state !== PaperState::Void) ?? $same->first();
    }

    /** @param  array<string, array<string, string>>  $answers */
    private function add(DealFile $file, KitItem $item, string $reason, int $position, array $answers, ?Paper $void): void
    {
        $state = $item->form === null ? PaperState::Awaited : PaperState::Draft;
        $form = $item->form === null ? null : $this->library->form($item->form);
        if ($form?->retired) {
            return;
        }
        $side = $file->side === 'both' ? $item->side : null;
        $paper = $void ?? new Paper(['brokerage_id' => $file->brokerage_id, 'deal_file_id' => $file->id]);
        $paper->fill(['title' => $item->title, 'form_number' => $form?->number, 'form_revision' => $form?->revision, 'stage' => $item->stage, 'state' => $void?->state->to($state) ?? $state, 'position' => $position, 'reason' => $reason, 'side' => $side, 'called_by' => 'rule'])->save();
        if ($void === null) {
            foreach ($form === null ? [] : ($answers[$form->number] ?? []) as $blank => $value) {
                $paper->keepEntry($blank, $value, "kit:{$blank}", null);
            }
        }
        if ($item->required) {
            DB::table('requirements')->where('paper_id', $paper->id)->exists() || $file->requirements()->create([
                'brokerage_id' => $file->brokerage_id, 'paper_id' => $paper->id, 'title' => $item->title, 'stage' => $item->stage, 'position' => $position, 'reason' => $reason, 'side' => $side,
            ]);
        }
        History::add($file->brokerage_id, $file->id, 'Paper called for', ['paper' => $item->title, 'why' => $reason], SeenBy::side($side));
    }

    private function takeBack(DealFile $file, Paper $paper): void
    {
        $requirement = $file->requirements->firstWhere('paper_id', $paper->id);
        $touched = ! in_array($paper->state, [PaperState::Draft, PaperState::Awaited], true)
            || ($requirement !== null && $requirement->review_state !== ReviewState::NotHandedIn)
            || DB::table('paper_entries')->where('paper_id', $paper->id)->where('client_key', 'not like', 'kit:%')->exists();
        if ($touched) {
            return;
        }
        $requirement?->delete();
        $paper->moveTo(PaperState::Void, ['reason' => 'no longer called for']);
        History::add($file->brokerage_id, $file->id, 'Paper no longer called for', ['paper' => $paper->title], new SeenBy($paper->side, $paper->staff_only));
    }
}
