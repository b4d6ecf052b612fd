<?php

declare(strict_types=1);

namespace App\Messages;

use App\Files\Agenda;
use App\Models\ClientPage;
use App\Models\FillRequest;
use App\Models\PaperRequest;
use App\Models\Round;
use App\Models\Signer;
use Illuminate\Support\Facades\Lang;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\LocalDate;
use Unanimus\Messages\ClientView;
use Unanimus\Signing\RoundStatus;

/** What a client sees on their own page: only what is asked of them, what they signed, and the days of the deal. */
final readonly class ClientSight
{
    /** Anchors that a client understands and that are no secret of either side. */
    private const ANCHORS = ['acceptance', 'closing', 'possession', 'lease_start', 'lease_end'];

    /**
     * @param list<array{what: string, title: string, link: string, until: LocalDate|null}> $asked
     * @param list<array{name: string, label: string, day: LocalDate, stands: 'done'|'next'|'later'}> $line
     * @param list<Round> $signed
     */
    private function __construct(
        public array $asked,
        public array $line,
        public array $signed,
        public string $stands,
        public LocalDate $today,
    ) {
    }

    public static function of(ClientPage $page): self
    {
        $agenda = Agenda::of($page->file);

        return new self(
            [...self::toSign($page), ...self::toFill($page), ...self::toBring($page)],
            ClientView::line(self::days($agenda), $agenda->today),
            self::signed($page),
            ClientView::stands($page->file->status),
            $agenda->today,
        );
    }

    /** @return list<Round> rounds that they signed and that are sealed */
    public static function signed(ClientPage $page): array
    {
        return array_values(Round::query()
            ->with('sealedSet')
            ->where(['deal_file_id' => $page->deal_file_id, 'status' => RoundStatus::Complete, 'rehearsal' => false])
            ->whereHas('sealedSet')
            ->whereHas('signers', static fn ($signers) => $signers->where('party_id', $page->party_id))
            ->orderByDesc('over_at')
            ->get()
            ->all());
    }

    /** @return list<array{what: string, title: string, link: string, until: LocalDate|null}> */
    private static function toSign(ClientPage $page): array
    {
        $signers = Signer::query()
            ->with('round')
            ->where('party_id', $page->party_id)
            ->whereHas('round', static fn ($round) => $round->where(['status' => RoundStatus::Out, 'rehearsal' => false]))
            ->orderBy('id')
            ->get()
            ->filter(static fn (Signer $signer) => $signer->status->isAsked() && ! $signer->standsIn());

        return array_values($signers->map(static fn (Signer $signer) => [
            'what' => 'sign',
            'title' => $signer->round->title,
            'link' => $signer->link(),
            'until' => $signer->round->last_day,
        ])->all());
    }

    /** @return list<array{what: string, title: string, link: string, until: LocalDate|null}> */
    private static function toFill(ClientPage $page): array
    {
        $requests = FillRequest::query()
            ->with(['file.office', 'papers'])
            ->where('party_id', $page->party_id)
            ->whereNull('finished_at')
            ->orderBy('id')
            ->get()
            ->filter(static fn (FillRequest $request) => $request->takes());

        return array_values($requests->map(static fn (FillRequest $request) => [
            'what' => 'fill',
            'title' => $request->papers->pluck('title')->join(', '),
            'link' => $request->link(),
            'until' => $request->last_day,
        ])->all());
    }

    /** @return list<array{what: string, title: string, link: string, until: LocalDate|null}> */
    private static function toBring(ClientPage $page): array
    {
        $address = (string) $page->party->email;
        $requests = $address === '' ? [] : PaperRequest::query()
            ->with(['file.office', 'asked'])
            ->where('deal_file_id', $page->deal_file_id)
            ->whereRaw('lower(email) = ?', [mb_strtolower($address)])
            ->orderBy('id')
            ->get()
            ->filter(static fn (PaperRequest $request) => $request->isOpen() && $request->isWaiting())
            ->all();

        return array_values(array_map(static fn (PaperRequest $request) => [
            'what' => 'bring',
            'title' => $request->asked->filter(static fn ($one) => $one->title !== '' && $one->brought === [])->pluck('title')->join(', '),
            'link' => $request->link(),
            'until' => $request->last_day,
        ], $requests));
    }

    /** What a day is called in the client's language; one that the brokerage named otherwise keeps its name. */
    public static function named(string $name, string $label): string
    {
        if (in_array($name, self::ANCHORS, true)) {
            return (string) __("client.page_of.named.{$name}");
        }

        return Lang::get("client.page_of.deadlines.{$name}", [],
            'en') === $label ? (string) __("client.page_of.deadlines.{$name}") : $label;
    }

    /** @return list<array{name: string, label: string, day: LocalDate, done: bool}> */
    private static function days(Agenda $agenda): array
    {
        $days = [];
        foreach (array_intersect_key($agenda->anchors, array_flip(self::ANCHORS)) as $name => $anchor) {
            $days[] = ['name' => $name, 'label' => $anchor['label'], 'day' => $anchor['day'], 'done' => false];
        }
        // Before there is a contract, days are plans of one side.
        foreach (isset($agenda->anchors['acceptance']) ? $agenda->deadlines : [] as $deadline) {
            /** @var Deadline $deadline */
            $isDone = in_array($deadline->name, $agenda->done, true);
            $days[] = ['name' => $deadline->name, 'label' => $deadline->label, 'day' => $deadline->due, 'done' => $isDone];
        }

        return $days;
    }
}
