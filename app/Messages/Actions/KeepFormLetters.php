<?php

declare(strict_types=1);

namespace App\Messages\Actions;

use App\History\History;
use App\Models\FormLetter;
use App\Models\LetterRule;
use App\Models\Office;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Messages\MergeFields;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Steps\StepRefused;

/** Keeps letters that are sent again and again: everybody's or one's own, each change as a version. */
final class KeepFormLetters
{
    /**
     * @param FormLetter|null $letter null: a new one
     * @param int|null $seen the version that stood on the page; null: none did
     * @param Office|null $office whose a new one is; null: everybody's
     *
     * @throws StepRefused when it has no name or words, names a field there is none of, or somebody changed it meanwhile
     */
    public function keep(
        ?FormLetter $letter,
        string $name,
        string $subject,
        string $body,
        bool $own,
        ?int $seen,
        User $by,
        ?Office $office = null,
    ): FormLetter {
        trim($name) === '' && throw MessageRefusal::NoName->because();
        trim($subject) === '' && throw MessageRefusal::NoSubject->because();
        trim($body) === '' && throw MessageRefusal::NoWords->because();
        foreach (MergeFields::unknown("{$subject}\n{$body}") as $field) {
            throw MessageRefusal::UnknownField->because(field: $field);
        }
        $text = ['name' => trim($name), 'subject' => trim($subject), 'body' => trim(str_replace("\r\n", "\n", $body))];
        if ($letter === null) {
            $new = ['brokerage_id' => $by->brokerage_id, 'user_id' => $own ? $by->id : null,
                'office_id' => $own ? null : $office?->id, ...$text];
            DB::table('users')->where('id', $by->id)->lockForUpdate()->value('id');
            // Pressed twice it is one.
            $same = FormLetter::query()->where($new)->where('created_at', '>', now()->subMinute())->first();
            if ($same !== null) {
                return $same;
            }
            $letter = FormLetter::create($new);
        } else {
            DB::table('form_letters')->where('id', $letter->id)->lockForUpdate()->value('id');
            $letter->refresh();
            if ($letter->only(['name', 'subject', 'body']) === $text) {
                return $letter;
            }
            $seen === null || $seen === $letter->version || throw MessageRefusal::LetterChanged->because();
            $letter->update([...$text, 'version' => $letter->version + 1]);
        }
        DB::table('form_letter_versions')->insert([
            ...$text,
            'form_letter_id' => $letter->id,
            'brokerage_id' => $letter->brokerage_id,
            'version' => $letter->version,
            'made_by' => $by->id,
        ]);
        $letter->user_id === null &&
            History::ofBrokerage($letter->brokerage_id, 'Form letter saved', ['name' => $letter->name, 'version' => $letter->version],
                $letter->office_id);

        return $letter;
    }

    /** @throws StepRefused when emails go out by themselves with it */
    public function putAway(FormLetter $letter, bool $away): void
    {
        $rule = $away ? LetterRule::query()->with('office')->where('form_letter_id', $letter->id)
            ->whereNotNull('on_since')->first() : null;
        $rule === null || throw MessageRefusal::LetterInUse->because(office: $rule->office->name);
        if (($letter->put_away_at !== null) === $away) {
            return;
        }
        $letter->update(['put_away_at' => $away ? now() : null]);
        $letter->user_id === null && History::ofBrokerage(
            $letter->brokerage_id,
            $away ? 'Form letter put away' : 'Form letter brought back',
            ['name' => $letter->name],
        );
    }

    /** What stands at the foot of a person's own letters. */
    public function sign(User $user, string $signature): void
    {
        $user->update(['letter_signature' => trim(str_replace("\r\n", "\n", $signature))]);
    }
}
