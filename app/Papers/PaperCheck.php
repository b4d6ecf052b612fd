<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\DealFile;
use App\Models\Paper;
use App\Models\PaperVersion;
use App\Models\Party;
use Unanimus\Files\PaperState;
use Unanimus\Forms\CrossCheck;
use Unanimus\Forms\Filling;
use Unanimus\Forms\Finding;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\SaidTerm;
use Unanimus\Terms\Facts;

/** What is to be looked at on a paper: within itself, against the file's terms, against the other papers. */
final class PaperCheck
{
    /**
     * @param array<int, list<SaidTerm>>|null $said what papers say, by version, where it was read for many at once
     * @return list<Finding> what is to be looked at on a paper that takes no entries: pages that lack, blanks that say otherwise than the
     *                       terms
     */
    public static function findings(Paper $paper, Facts $facts, ?array $said = null): array
    {
        $version = $paper->isDraft() || $paper->state === PaperState::Void ? null : $paper->latest;
        if ($version === null) {
            return [];
        }
        $found = array_map(static fn (string $text) => new Finding('', $text), $version->findings);
        $read = $version->read()->form;
        if ($read === null) {
            $people = $paper->file->parties
                ->mapWithKeys(static fn (Party $party) => ["{$party->role->value}.{$party->number}" => (string) $party->name])
                ->filter()
                ->all();

            return [...$found, ...CrossCheck::ofSaid($said[$version->id] ?? $version->said(), $facts, $people)];
        }
        try {
            return [...$found, ...CrossCheck::ofFixed($read, app(Library::class)->form($read->form, $read->revision), $facts)];
        } catch (FormUnknown) {
            return $found;
        }
    }

    /** @return array<int, list<SaidTerm>> what papers of a file say of its deal, by version: those that are no form of ours */
    public static function said(DealFile $file): array
    {
        $latest = $file->papers->filter(static fn (Paper $paper) => ! $paper->isDraft())->map(static fn (Paper $paper) => $paper->latest);

        return PaperVersion::saidIn($latest->filter()->all());
    }

    /** @return array<string, array{title: string, filling: Filling}> what stands on each draft, by its key */
    public static function drafts(DealFile $file, Facts $facts): array
    {
        $drafts = [];
        foreach ($file->papers as $paper) {
            $form = $paper->isDraft() ? $paper->form() : null;
            if ($form !== null) {
                $drafts[$paper->key] = ['title' => $paper->title, 'filling' => Filling::of($form, $paper->entries(), $facts)];
            }
        }

        return $drafts;
    }
}
