<?php

declare(strict_types=1);

namespace App\Forms\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** Whom to ask to fill in what, until when. */
final class AskToFillRequest extends FormRequest
{
    /** Asked before anything is read: what a stranger sent is not judged. */
    public function authorize(): bool
    {
        Gate::authorize('work-on', $this->route('file'));

        return true;
    }

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'to' => 'required|array|max:12',
            'to.*' => 'string|max:20',
            'languages' => 'array',
            'languages.*' => 'string|max:8',
            'reach' => 'array',
            'reach.*' => 'nullable|email:rfc|max:200',
            'papers' => 'required|array|max:30',
            'papers.*' => 'string|max:26',
            'some' => 'array',
            'some.*' => 'array|max:600',
            'some.*.*' => 'string|max:60',
            'last_day' => 'required|string|max:40',
            'message' => 'nullable|string|max:2000',
            'afterwards' => 'nullable|string|in:nothing,look,sign',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'to.required' => 'Choose who fills it in.',
            'papers.required' => 'Select at least one paper to fill in.',
            'reach.*.email' => 'This is not an email address.',
            'last_day.required' => 'Enter the last day.',
        ];
    }
}
