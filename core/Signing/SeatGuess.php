<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Pages\Word;
use Unanimus\Parties\PartyRole;

/**
 * Whose the lines of a page are: what is said beside each, else what stands over them as a heading; of one role's lines in
 * one block the first is the first one's.
 *
 * @internal to its area
 */
final class SeatGuess
{
    /** So many words between two lines to sign, and the second begins a block of its own. */
    private const TEXT_BETWEEN = 24;

    /** After the last of a role so many are enough. */
    private const SENTENCE_BETWEEN = 7;

    /** Initials after more words than these are asked for by a sentence of their own. */
    private const SENTENCE = 4;

    /** @var array<int, array{Seat|null, string, float, PartyRole|null}> */
    private array $known = [];

    /** @var array<int, array{MarkKind, float}> */
    private array $kinds = [];

    private readonly WordsAround $around;

    private readonly FirmSigners $firms;

    private readonly SeatsThere $there;

    /**
     * @param list<SigningLine> $lines from the top
     * @param list<Word> $words
     * @param list<Seat> $seats who may sign; empty: anyone
     */
    public function __construct(
        private readonly array $lines,
        private readonly array $words,
        array $seats,
        private readonly PrintedNames $names,
    ) {
        $this->around = new WordsAround($lines, $words);
        $this->there = new SeatsThere($seats);
        $this->firms = new FirmSigners($lines, $this->around);
    }

    /**
     * Whose a line to sign or initial is, what they are called, and how sure that is.
     *
     * @param array<int, array{MarkKind, float}> $kinds of all lines
     * @return array{Seat|null, string, float, PartyRole|null}
     */
    public function of(int $index, MarkKind $kind, array $kinds): array
    {
        if ($this->known === []) {
            $this->workOut($kinds);
        }

        return $this->known[$index];
    }

    /** @param  array<int, array{MarkKind, float}>  $kinds */
    private function workOut(array $kinds): void
    {
        $this->kinds = $kinds;
        $last = $times = [];
        foreach ($kinds as $index => [$kind]) {
            $line = $this->lines[$index];
            $named = $this->named($line);
            if ($named !== null) {
                $last[$kind->value][$named->role->value] = [$line, $named->number];
                $this->known[$index] = $this->there->at($named->role, $named->number, $named->role->value);

                continue;
            }
            $who = $this->said($index, $kinds);
            if ($who === null) {
                $this->known[$index] = $this->unnamed($kind, $index, $kinds);

                continue;
            }
            if ($who->isOutsider()) {
                $this->known[$index] = [null, $who->word, 0.8, null];

                continue;
            }
            if ($who->role === null) {
                $this->known[$index] = $this->somebody($who->word, $kind, $index, $kinds);

                continue;
            }
            $role = $who->role->value;
            $before = $last[$kind->value][$role] ?? null;
            $isAmount = $kind === MarkKind::Initials && $line->isCell();
            $listed = ! $isAmount && preg_match('/^\W*([1-4])\W*$/', $line->before, $m) === 1 ? (int) $m[1] : null;
            // On a scan "1." may be read as "4.".
            $listed = $listed === 4 && $before === null ? null : $listed;
            $isNew = $before === null || $this->beginsAnew($before[0], $line, $kind, $this->there->isLast($who->role, $before[1]));
            $number = $who->number ?? $listed ?? ($isNew ? 1 : $before[1] + 1);
            $last[$kind->value][$role] = [$line, $number];
            // The other side's agent is no second one of ours: they are numbered by what they are called.
            $called = [$kind->value, mb_strtolower($who->word)];
            $nth = $times[$called[0]][$called[1]] = ($times[$called[0]][$called[1]] ?? 0) + 1;
            $isHelper = in_array($who->role, [PartyRole::Agent, PartyRole::Broker], true);
            $this->known[$index] = $this->there->at($who->role, $number, $who->word, $who->number ?? ($isHelper ? $nth : $number));
        }
        $this->byOthers($kinds);
    }

    /**
     * Marks that name nobody, on a page where all others are one side's clients': theirs, in order, initials row by row.
     *
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private function byOthers(array $kinds): void
    {
        $roles = $open = [];
        $isSigned = false;
        foreach ($this->known as $index => [, $word, , $role]) {
            $role?->isClient() === true && ($roles[$role->value] = $role);
            $isSigned = $isSigned || ($role !== null && $kinds[$index][0] === MarkKind::Signature);
            $role === null && $word === '' && ($open[] = $index);
        }
        $role = array_values($roles)[0] ?? null;
        if ($role === null || count($roles) > 1) {
            return;
        }
        $signed = 0;
        foreach ($open as $index) {
            $isSignature = $kinds[$index][0] === MarkKind::Signature;
            $before = array_filter($open, fn (int $at) => $at < $index && $this->lines[$at]->isBeside($this->lines[$index]));
            [$seat, , $sure] = $this->there->at($role, $isSignature ? ++$signed : count($before) + 1, '');
            $seat === null || ($isSignature && $isSigned) || ($this->known[$index] = [$seat, '', 0.7 * $sure, $role]);
        }
    }

    /** Whose name is printed at a line, or as its caption. */
    private function named(SigningLine $line): ?Seat
    {
        foreach ([$line->under, $line->at->caption, $line->before, $line->below, FirmSigners::signedFor($line)] as $text) {
            $seat = $text === '' ? null : $this->names->in($text);
            if ($seat !== null) {
                return $seat;
            }
        }

        return null;
    }

    /**
     * What the page says of who signs there.
     *
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private function said(int $index, array $kinds): ?SignerWords
    {
        $line = $this->lines[$index];
        $isInitials = $kinds[$index][0] === MarkKind::Initials;
        $under = $this->isHeaded($index) ? $line->over : $line->under;
        // Under initials before a statement begins the next heading.
        $under = $isInitials && ListedInitials::isBeforeStatement($line) ? '' : $under;
        $row = $line->isCell() || $line->at->by === 'box' ? LineNeighbors::rowOf($line, $this->lines) : '';
        // Words under initials, or under a table's last row, go on as a text does.
        $isCaption = SignerWords::isAll($line->below) || MarkLabels::isInitials($line->below);
        $isText = $isInitials && (! $isCaption || LineNeighbors::isLabelOfOther($line->below, $line, $this->lines));
        $isOthers = $line->before !== '' && LineNeighbors::isLabelOfOther($line->below, $line, $this->lines);
        $below = $row !== '' || $isText || $isOthers ? '' : $line->below;
        $column = $line->isCell() ? $line->over : '';
        $beside = [$line->at->caption, self::meant($line->before), $row, $under, $below, $this->saidAfter($index), $column];
        // "____ Buyer initials    ____ Seller initials": what is said after it is nearer than what stands before.
        $saysAfter = MarkLabels::isInitials($this->after($index)) || (SignerWords::isAll($this->after($index)) &&
            LineNeighbors::saysAfter($line, $this->lines));
        if ($isInitials && $saysAfter && ! MarkLabels::isInitials($under)) {
            array_unshift($beside, $this->after($index));
        }
        // "____ / ____ Seller's initials   ____ / ____ Buyer's initials".
        if ($isInitials && preg_match('/^\W*\/?\W*$/', $line->after) === 1 && LineNeighbors::saysAfter($line, $this->lines)) {
            array_unshift($beside, isset($this->lines[$index + 1]) ? $this->after($index + 1) : '');
        }
        $somebody = null;
        foreach ($beside as $text) {
            $who = SignerWords::in($text);
            if ($who?->role !== null) {
                return $who;
            }
            $somebody ??= $who;
        }
        // "Client to initial: ____": said before it, that is nearer than what its row says of others.
        if ($somebody !== null && $isInitials && SignerWords::in($line->before) !== null && MarkLabels::isInitials($line->before)) {
            return $somebody;
        }

        $letter = $isInitials ? SignerWords::letter($line->before) : null;
        if ($letter !== null) {
            return $letter;
        }
        $left = $this->lines[$index - 1] ?? null;
        if (! $isInitials && $left !== null && MarkRows::isSecond($left, $line) && isset($kinds[$index - 1])) {
            return LineNeighbors::isRowOfOne($left, $line)
                ? $this->said($index - 1, $kinds)
                : SignerWords::in($left->before) ?? SignerWords::in($left->under);
        }

        $said = ($isInitials ? $this->ofRow($index, $kinds) ?? $this->around->sentence($index, $kinds) : null) ?? $somebody;

        $said ??= $this->firms->ofFirm($index, $kinds) ?? $this->ofList($line);

        $said ??= $this->around->heading($line, $kinds[$index][0]) ?? $this->firms->ofName($line) ?? $this->ofDatedOver($line, $kinds);

        return $said ?? $this->around->section($line) ?? $this->around->undersigned($line);
    }

    /**
     * "Seller(s): ____ Date: ____" over "____ Date: ____": the next of them.
     *
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private function ofDatedOver(SigningLine $line, array $kinds): ?SignerWords
    {
        $isOpen = $line->before.$line->under.$line->at->caption === '' && MarkLabels::isDate($line->after);
        foreach ($isOpen ? $kinds : [] as $at => [$kind]) {
            $other = $this->lines[$at];
            $down = $line->foot() - $other->foot();
            $isAlike = abs($other->at->place->x - $line->at->place->x) < 12 && abs($other->right() - $line->right()) < 12;
            $who = SignerWords::in($other->before);
            if ($kind === MarkKind::Signature && $isAlike && $down > 8 && $down < 46 && $who?->role !== null && $who->number === null) {
                return $who;
            }
        }

        return null;
    }

    /** What stands over the first of "1) ____ 2) ____"; a number may be lost on a scan. */
    private function ofList(SigningLine $line): ?SignerWords
    {
        if (! LineNeighbors::isNumbered($line)) {
            return null;
        }
        $head = LineNeighbors::headOfList($line, $this->lines);
        $listed = array_filter($this->lines, fn (SigningLine $one) => LineNeighbors::headOfList($one, $this->lines) === $head);
        $who = count($listed) > 1 || $line->before !== '' ? SignerWords::in($head->over) : null;

        return $who?->role === null ? null : $who;
    }

    /** "Presented to seller by (agent signature) ____": what is said in brackets right before a line. */
    private static function meant(string $before): string
    {
        return preg_match('/\(([^()]{3,40})\)\W*$/u', $before, $m) === 1 && SignerWords::in($m[1])?->role !== null ? $m[1] : $before;
    }

    /** "____ (Seller's signature)", "____ (Seller)": said of the line before it, also where another line follows; "X ____ Seller". */
    private function saidAfter(int $index): string
    {
        $line = $this->lines[$index];
        if (preg_match('/^\([^()]{3,60}\)/u', $line->after, $m) === 1 && (MarkLabels::isSignature($m[0]) || SignerWords::isAll($m[0]))) {
            return $m[0];
        }
        if (self::isSignedAs($line)) {
            return $line->after;
        }
        $isOpen = preg_match('/^\W*s?\W*$/iu', $line->before) === 1 || MarkLabels::isCross($line->before);

        return $isOpen && SignerWords::isAll($this->after($index)) ? $this->after($index) : '';
    }

    /** "By ____, agent for the buyer". */
    public static function isSignedAs(SigningLine $line): bool
    {
        // On a scan a comma is easily lost.
        return MarkLabels::isBy($line->before) && SignerWords::in($line->after)?->role !== null &&
            (str_starts_with($line->after, ',') || SignerWords::isAll($line->after));
    }

    /** What is said after a line; what stands right before the next one is the next one's, unless the row's words all follow. */
    private function after(int $index): string
    {
        $next = $this->lines[$index + 1] ?? null;
        $isLabel = $next !== null && $next->before !== '' && str_ends_with($this->lines[$index]->after, $next->before);
        $isLabel = $isLabel && ! LineNeighbors::saysAfter($this->lines[$index], $this->lines);

        return $isLabel ? '' : $this->lines[$index]->after;
    }

    /**
     * Whose initials stand in the same row: of those before it, else what is said after the row.
     *
     * @param array<int, array{MarkKind, float}> $kinds
     */
    private function ofRow(int $index, array $kinds): ?SignerWords
    {
        $line = $this->lines[$index];
        // "Initials: ____ / ____" begins anew, whatever stands left of it.
        $begins = MarkLabels::isInitials($line->before);
        $isInRow = fn (int $at): bool => ($kinds[$at][0] ?? null) === MarkKind::Initials && $this->lines[$at]->isBeside($line);
        for ($at = $index - 1; ! $begins && $isInRow($at); $at--) {
            $before = $this->lines[$at]->before;
            $who = SignerWords::in($before) ?? SignerWords::letter($before) ?? SignerWords::in($this->lines[$at]->under);
            if ($who?->role !== null) {
                return $who;
            }
        }
        for ($at = $index; $isInRow($at); $at++) {
            // A numbered paragraph that follows speaks of many; "(b) Records were given to the purchaser." of whom it begins with.
            $after = $this->after($at);
            $isOfMany = SignerWords::isParagraph($after) || (ListedInitials::isBeforeStatement($this->lines[$at]) &&
                preg_match('/^\([a-z]{1,3}\)/i', $after) === 1 && ! SignerWords::begin(substr($after, strpos($after, ')') + 1)));
            $who = $isOfMany ? null : SignerWords::in($after);
            $isOwn = $begins && $at > $index && preg_match('/^\W*$/', $this->lines[$at]->before) === 1;
            $who ??= $isOwn && SignerWords::isAll($this->lines[$at]->under) ? SignerWords::in($this->lines[$at]->under) : null;
            if ($who?->role !== null) {
                return $who;
            }
        }

        return null;
    }

    /**
     * Whether who signs on a line is said over it, as in "SELLER" with a line under it, then "BUYER" with a line under that:
     * the role under the line is the next one's.
     */
    private function isHeaded(int $index): bool
    {
        $line = $this->lines[$index];
        if (LineNeighbors::isBy($line->before) || ! SignerWords::isAll($line->over) || ! SignerWords::isAll($line->under)) {
            return false;
        }
        foreach ($this->lines as $at => $other) {
            $up = $line->foot() - $other->foot();
            $over = $up > 8 && $up < 64 && $other->at->place->x < $line->right() && $other->right() > $line->at->place->x;
            if ($over && $at !== $index && isset($this->kinds[$at])) {
                return $this->isHeaded($at);
            }
        }

        return true;
    }

    /** Whether a line begins a block of its own: much is said between, or for initials it stands in another row. */
    private function beginsAnew(SigningLine $before, SigningLine $line, MarkKind $kind, bool $isLast = false): bool
    {
        if ($kind === MarkKind::Initials) {
            // "Seller's initials: ____ ____  Countered on the attached form. Seller's initials: ____ ____".
            return ! $before->isBeside($line) || str_word_count($line->before) > self::SENTENCE ||
                ($isLast && str_word_count($line->before) > 1 && SignerWords::in($line->before)?->role !== null);
        }
        $from = $before->foot() + 16;
        $to = $line->at->place->y - 6;
        $between = array_filter($this->words, static fn (Word $word) => $word->y > $from && $word->bottom() < $to);

        // After the last of them a sentence is enough, "2. I choose to have the home inspected."
        return count($between) > ($isLast ? self::SENTENCE_BETWEEN : self::TEXT_BETWEEN);
    }

    /**
     * Initials or a signature that name nobody: with one side's clients alone they are theirs, in order.
     *
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{Seat|null, string, float, PartyRole|null}
     */
    private function unnamed(MarkKind $kind, int $index, array $kinds): array
    {
        return $this->somebody('', $kind, $index, $kinds);
    }

    /**
     * @param array<int, array{MarkKind, float}> $kinds
     * @return array{Seat|null, string, float, PartyRole|null}
     */
    private function somebody(string $word, MarkKind $kind, int $index, array $kinds): array
    {
        $clients = array_values(array_filter($this->there->seats, static fn (Seat $seat) => $seat->role->isClient()));
        usort($clients, static fn (Seat $a, Seat $b) => $a->number <=> $b->number);
        $roles = array_unique(array_map(static fn (Seat $seat) => $seat->role->value, $clients));
        if (count($roles) !== 1) {
            return [null, $word, 0.6, null];
        }
        $earlier = 0;
        foreach ($kinds as $at => [$other]) {
            $alike = $at < $index && $other === $kind && isset($this->known[$at][0]);
            $sameBlock = $at < $index && ($kind !== MarkKind::Initials || $this->lines[$at]->isBeside($this->lines[$index]));
            $earlier += $alike && $sameBlock && ! $this->beginsAnew($this->lines[$at], $this->lines[$index], $kind) ? 1 : 0;
        }

        return isset($clients[$earlier]) ? [$clients[$earlier], $word, 0.7, $clients[$earlier]->role] : [null, $word, 0.5, null];
    }
}
