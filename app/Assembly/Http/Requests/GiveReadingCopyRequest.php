<?php

declare(strict_types=1);

namespace App\Assembly\Http\Requests;

use App\Models\AssembledSet;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** Who may read a set, until when. */
final class GiveReadingCopyRequest extends FormRequest
{
    /** Asked before anything is read: what a stranger sent is not judged. */
    public function authorize(): bool
    {
        $set = $this->route('set');
        Gate::authorize('work-on', $set instanceof AssembledSet ? $set->load(['file.office', 'file.members'])->file : null);

        return true;
    }

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'name' => 'nullable|string|max:120',
            'email' => 'nullable|email:rfc|max:200',
            'language' => 'nullable|string|max:8',
            'last_day' => 'required|string|max:40',
            'message' => 'nullable|string|max:2000',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.email' => 'This is not an email address.', 'last_day.required' => 'Enter the last day.'];
    }
}
