<?php

declare(strict_types=1);

namespace App\Signing\Http\Requests;

use App\Models\Round;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

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

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'message' => 'nullable|string|max:2000',
            'last_day' => 'nullable|string|max:40',
            'turns' => 'nullable|array',
            'turns.*' => 'integer|between:1,9',
            'addresses' => 'nullable|array',
            'addresses.*' => 'nullable|email|max:200',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['addresses.*.email' => 'This is not an email address.'];
    }
}
