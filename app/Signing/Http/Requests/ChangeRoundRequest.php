<?php

declare(strict_types=1);

namespace App\Signing\Http\Requests;

use App\Models\Office;
use App\Models\Round;
use App\Signing\RoundChange;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\TimeOfDay;
use Unanimus\Parties\Language;
use Unanimus\Signing\Recipients;
use Unanimus\Terms\Kind;

/** The words, last day, turns and addresses of a round that was not sent. */
final class ChangeRoundRequest extends FormRequest
{
    /** Asked before anything is read: what a stranger sent is not judged. */
    public function authorize(): bool
    {
        $round = $this->route('round');
        Gate::authorize('work-on', $round instanceof Round ? $round->file : null);

        return true;
    }

    /** @return array<string, string|list<mixed>> */
    public function rules(): array
    {
        return [
            'subject' => 'nullable|string|max:150',
            'message' => 'nullable|string|max:2000',
            'attach' => 'nullable|boolean',
            'copies' => 'nullable|string|max:4000',
            'languages' => 'nullable|array',
            'languages.*' => ['nullable', Rule::enum(Language::class)],
            'notes' => 'nullable|array',
            'notes.*' => 'nullable|string|max:1000',
            'send_at' => 'nullable|required_if:do,later|date',
            'do' => 'nullable|in:later,stop',
            'last_day' => 'nullable|string|max:40',
            'last_time' => 'nullable|string|max:20',
            'turns' => 'nullable|array',
            'turns.*' => 'integer|between:1,9',
            'codes' => 'nullable|array',
            'codes.*' => 'nullable|string|max:40',
            'addresses' => 'nullable|array',
            'addresses.*' => 'nullable|email|max:200',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['addresses.*.email' => 'This is not an email address.', 'send_at.required_if' => 'Choose when it goes out.'];
    }

    /** What was said of the round; days and times as they are at its office. What nothing was said of stays as it is. */
    public function change(Round $round): RoundChange
    {
        $given = $this->validated();
        $office = $round->file->office;
        $said = static fn (string $name, mixed $stays): mixed => array_key_exists($name, $given) ? $given[$name] : $stays;
        [$day, $hour] = self::lastMoment($given, $round, $office);

        return new RoundChange(
            (string) $said('subject', $round->subject),
            (string) $said('message', $round->message),
            $day,
            array_key_exists('copies', $given) ? Recipients::read((string) $given['copies']) : $round->copies,
            array_map(intval(...), $given['turns'] ?? []),
            array_map(strval(...), $given['addresses'] ?? []),
            array_map(strval(...), $given['notes'] ?? []),
            array_map(static fn (string $one) => Language::from($one), array_filter($given['languages'] ?? [])),
            array_map(strval(...), $given['codes'] ?? []),
            $hour,
            (bool) $said('attach', $round->attach),
        );
    }

    /**
     * @param array<string, mixed> $given
     * @return array{LocalDate|null, TimeOfDay|null}
     */
    private static function lastMoment(array $given, Round $round, Office $office): array
    {
        if (! array_key_exists('last_day', $given)) {
            return [$round->last_day, $round->last_time === null ? null : TimeOfDay::of($round->last_time)];
        }
        $day = (string) $given['last_day'];
        $hour = $day === '' ? '' : trim((string) ($given['last_time'] ?? ''));

        return [
            $day === '' ? null : LocalDate::parse($day, $office->today()),
            $hour === '' ? null : TimeOfDay::of(Kind::Time->parse($hour, $office->today())),
        ];
    }

    public function sendAt(Office $office): Carbon
    {
        return Carbon::parse((string) $this->validated('send_at'), $office->zone)->utc();
    }
}
