<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;
use Unanimus\Files\PaperState;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Steps\StepRefused;

/**
 * A round before it goes out: who signs and in which turn, until when, and what is wrong with it.
 */
final class RoundPlan
{
    /** Days that a round is given when nobody says otherwise. */
    public const DAYS = 5;

    /** Papers that are named one by one where pages of them were not looked at. */
    private const BY_PAPER = 3;

    /**
     * Lets pass papers that can go out.
     *
     * @param list<array{string, PaperState}> $papers title and state of each
     *
     * @throws StepRefused when there is none, or one is out, signed, void or not here
     */
    public static function mustGoOut(array $papers): void
    {
        $papers !== [] || throw SigningRefusal::NoPapers->because();
        foreach ($papers as [$title, $state]) {
            $state->isOpen() || throw SigningRefusal::PaperNotOpen->because(title: $title, state: $state->readable());
        }
    }

    /**
     * Who signs: those that the forms have a place for, that are in the file, and that this side asks; clients first, then
     * those who serve them, the broker last.
     *
     * @param Representation $represents whom the file serves
     * @param list<Seat> $places seats that the forms have a place for
     * @param list<string> $taken seats that somebody of the file holds
     * @return array<string, int> turn by seat, in order
     */
    public static function turns(Representation $represents, array $places, array $taken): array
    {
        $asked = Seat::askedBy($represents);
        $seats = [];
        foreach ($places as $seat) {
            if (in_array((string) $seat, $taken, true) && in_array($seat->role, $asked, true)) {
                $seats[(string) $seat] = $seat;
            }
        }
        uasort($seats, static fn (Seat $a, Seat $b) => $a->order() <=> $b->order());

        return array_map(self::turn(...), $seats);
    }

    /** The turn in which a seat signs when nobody says otherwise, from 1. */
    public static function turn(Seat $seat): int
    {
        return match ($seat->role) {
            PartyRole::Agent, PartyRole::Coagent => 2,
            PartyRole::Broker => 3,
            default => 1,
        };
    }

    /**
     * What is wrong with it.
     *
     * @param list<PlannedSigner> $signers
     * @param list<PlannedPaper> $papers
     * @param LocalDate|null $offerUntil the day the offer expires, while it is not accepted
     * @param list<string> $unchecked facts from elsewhere that stand on a contract and that nobody has checked, as read
     * @param LocalDate|null $today at the office
     * @return list<RoundFault>
     */
    public static function faults(
        array $signers,
        array $papers,
        ?LocalDate $lastDay = null,
        ?LocalDate $offerUntil = null,
        array $unchecked = [],
        ?LocalDate $today = null,
    ): array {
        $faults = [];
        foreach ($signers as $signer) {
            if ($signer->email === '') {
                $told = "{$signer->name} has no email address.".($signer->isOurs ? '' : ' Their own agent adds it in the file.');
                $faults[] = new RoundFault(RoundFaultKind::NoAddress, $told, signer: $signer->key);
            }
            if ($signer->places === 0 && $signer->part === Part::Signs) {
                $told = "{$signer->name} has nothing to sign. Give them a place, or remove them from this round.";
                $faults[] = new RoundFault(RoundFaultKind::NothingToSign, $told, signer: $signer->key);
            }
        }
        foreach ($signers as $signer) {
            if ($signer->inFile !== '') {
                $told = "{$signer->name} is {$signer->inFile} in the file now.";
                $faults[] = new RoundFault(RoundFaultKind::NameDiffers, $told, signer: $signer->key);
            }
        }
        if ($lastDay !== null && $today !== null && $lastDay->isBefore($today)) {
            $faults[] = new RoundFault(RoundFaultKind::LastDayPast, "The last day to sign, {$lastDay->short()}, is past.");
        }
        $signing = array_filter($signers, static fn (PlannedSigner $signer) => $signer->part === Part::Signs);
        if ($signing === [] && ! in_array(true, array_map(static fn (PlannedPaper $paper) => $paper->reading, $papers), true)) {
            $told = 'No one signs: none of these papers has a place to sign for anyone in the file.';
            $faults[] = new RoundFault(RoundFaultKind::NobodySigns, $told);
        }
        foreach ($papers as $paper) {
            array_push($faults, ...self::ofPaper($paper));
        }
        array_push($faults, ...self::unseen($papers));
        if ($lastDay !== null && $offerUntil !== null && $lastDay->isAfter($offerUntil)) {
            $told = "The offer expires {$offerUntil->short()}, before the last day to sign, {$lastDay->short()}.";
            $faults[] = new RoundFault(RoundFaultKind::LastDayAfterOffer, $told, day: $offerUntil);
        }

        if ($unchecked !== []) {
            $told = 'On the contract and not checked yet: '.implode(', ', $unchecked).'.';
            $faults[] = new RoundFault(RoundFaultKind::FactUnchecked, $told);
        }

        return $faults;
    }

    /**
     * Pages that nobody has looked at: by paper, and once for all where there are many papers.
     *
     * @param list<PlannedPaper> $papers
     * @return list<RoundFault>
     */
    private static function unseen(array $papers): array
    {
        $unseen = array_values(array_filter($papers, static fn (PlannedPaper $paper) => $paper->unseen > 0));
        if (count($unseen) > self::BY_PAPER) {
            $pages = array_sum(array_map(static fn (PlannedPaper $paper) => $paper->unseen, $unseen));
            $told = "Not looked at yet: {$pages} pages of ".count($unseen).' papers.';

            return [new RoundFault(RoundFaultKind::PagesUnseen, $told, paper: $unseen[0]->key, pages: $pages)];
        }

        return array_map(static function (PlannedPaper $paper): RoundFault {
            $told = 'Not looked at yet: '.($paper->unseen === 1 ? '1 page' : "{$paper->unseen} pages")." of “{$paper->title}”.";

            return new RoundFault(RoundFaultKind::PagesUnseen, $told, paper: $paper->key, pages: $paper->unseen);
        }, $unseen);
    }

    /** @return list<RoundFault> */
    private static function ofPaper(PlannedPaper $paper): array
    {
        $faults = [];
        foreach ($paper->unclear as $word) {
            $told = $word === '' ? "“{$paper->title}” has places that do not say who signs." : "“{$paper->title}”: who is “{$word}”?";
            $faults[] = new RoundFault(RoundFaultKind::Unclear, $told, paper: $paper->key);
        }
        if ($paper->pencil > 0) {
            $places = $paper->pencil === 1 ? '1 place' : "{$paper->pencil} places";
            $told = "{$places} on “{$paper->title}” still in pencil. Keep or remove them.";
            $faults[] = new RoundFault(RoundFaultKind::InPencil, $told, paper: $paper->key);
        }
        if (! $paper->isSigned && $paper->reading) {
            $told = "“{$paper->title}” is still being read for places to sign. Wait a moment, or place them yourself.";
            $faults[] = new RoundFault(RoundFaultKind::BeingRead, $told, paper: $paper->key);
        } elseif ($paper->reading) {
            $told = "“{$paper->title}” is still being read. What is found after you send it is not asked for.";
            $faults[] = new RoundFault(RoundFaultKind::StillRead, $told, paper: $paper->key);
        } elseif (! $paper->isSigned && $paper->unclear === []) {
            $faults[] = new RoundFault(RoundFaultKind::PaperUnsigned, "No one signs “{$paper->title}”.", paper: $paper->key);
        }
        $count = count($paper->missing);
        if ($count > 0) {
            $blanks = $count === 1 ? 'a required blank' : "{$count} required blanks";
            $told = "“{$paper->title}” has {$blanks} empty: {$paper->missing[0]}";
            $faults[] = new RoundFault(RoundFaultKind::BlankMissing, $told.($count > 1 ? ' …' : '.'), paper: $paper->key);
        }
        if (! $paper->state->isOpen()) {
            $told = "“{$paper->title}” is {$paper->state->readable()}.";
            $faults[] = new RoundFault(RoundFaultKind::PaperNotOpen, $told, paper: $paper->key);
        }

        return $faults;
    }
}
