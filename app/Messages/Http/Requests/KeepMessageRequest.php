<?php

declare(strict_types=1);

namespace App\Messages\Http\Requests;

use App\Models\FormLetter;
use App\Models\Office;
use App\Models\ShelfItem;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Unanimus\Messages\MessageRefusal;
use Unanimus\Messages\Recipient;

/** A message as it is typed. */
final class KeepMessageRequest extends FormRequest
{
    /** @return array<string, string|list<string>> */
    public function rules(): array
    {
        return [
            'subject' => 'nullable|string|max:300',
            'body' => 'nullable|string|max:20000',
            'seats' => 'nullable|array|max:40',
            'seats.*' => 'string|max:40',
            'others' => 'nullable|string|max:2000',
            'apart' => 'nullable|in:0,1',
            'papers' => 'nullable|array|max:40',
            'papers.*' => 'string|size:26',
            'as_link' => 'nullable|in:0,1',
            'letter' => 'nullable|string|size:26',
            'shelf' => 'nullable|string|size:26',
            'window' => 'nullable|string|max:20',
            'when' => 'nullable|in:now,later',
            'send_at' => 'nullable|required_if:when,later|string|max:20',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['send_at.required_if' => 'Choose when it goes out.'];
    }

    /**
     * @param list<Recipient> $people of the file
     * @return array{subject: string, body: string, recipients: list<Recipient>, apart: bool, papers: list<string>, as_link: bool}
     */
    public function typed(array $people): array
    {
        $seats = (array) $this->validated('seats', []);
        $chosen = array_filter($people, static fn (Recipient $one) => in_array($one->seat, $seats, true));

        return [
            'subject' => (string) $this->validated('subject'),
            'body' => str_replace("\r\n", "\n", (string) $this->validated('body')),
            'recipients' => [...array_values($chosen), ...Recipient::typed((string) $this->validated('others'))],
            'apart' => $this->validated('apart') === '1',
            'papers' => array_values((array) $this->validated('papers', [])),
            'as_link' => $this->validated('as_link') === '1',
        ];
    }

    /** The form letter that was picked; null: none was. */
    public function letter(): ?FormLetter
    {
        $key = (string) $this->validated('letter');

        return $key === '' ? null : FormLetter::inUse(User::signedIn($this))->firstWhere('key', $key);
    }

    /** What was picked from the shelf; null: nothing was. */
    public function shelf(User $user): ?ShelfItem
    {
        $key = (string) $this->validated('shelf');

        return $key === '' ? null : ShelfItem::forFiles($user)->firstWhere('key', $key);
    }

    /** When it is to go out; null: now. */
    public function at(Office $office): ?Carbon
    {
        if ($this->validated('when') !== 'later') {
            return null;
        }
        try {
            return Carbon::parse((string) $this->validated('send_at'), $office->zone)->utc();
        } catch (\InvalidArgumentException) {
            throw MessageRefusal::TimePassed->because();
        }
    }
}
