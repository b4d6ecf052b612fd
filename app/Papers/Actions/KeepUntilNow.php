<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Agenda;
use App\Models\Paper;
use Unanimus\Forms\Amendment;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\Facts;

/** Beside a new value on an amendment, says how it was until now, where nobody has said so. */
final class KeepUntilNow
{
    public function __construct(private readonly StoreEntry $store)
    {
    }

    /** @param  string  $clientKey  of the entry of the new value */
    public function __invoke(Paper $paper, string $blank, string $clientKey, Facts $facts): void
    {
        $form = Amendment::has($paper->form_number) ? $paper->form() : null;
        $replaces = $form === null ? null : Amendment::replaces($form, $blank);
        if ($form === null || $replaces === null) {
            return;
        }
        $until = $form->blank($replaces['blank']);
        $entries = $paper->load('values')->entries();
        if ($until === null || ($entries[$blank] ?? '') === '' || ($entries[$until->name] ?? '') !== '') {
            return;
        }
        $was = match (true) {
            $replaces['term'] !== null => $facts->value($replaces['term']),
            $replaces['deadline'] !== null => Agenda::of($paper->file)->deadline($replaces['deadline'])?->due->iso(),
            default => null,
        };
        if ($was === null || $was === '') {
            return;
        }
        try {
            $shown = $until->kind->show($was);
            ($this->store)($paper, $until->name, $shown, "until:{$clientKey}", 'paper', null, $facts, 'the file’s terms');
        } catch (EntryUnreadable) {
            // What the file keeps in other words is left for a person to write.
            return;
        }
    }
}
