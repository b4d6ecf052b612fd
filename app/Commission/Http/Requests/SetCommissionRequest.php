<?php

declare(strict_types=1);

namespace App\Commission\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** The percent, split and fee of a commission. */
final class SetCommissionRequest extends FormRequest
{
    /** Asked before anything is read: what a stranger sent is not judged. */
    public function authorize(): bool
    {
        Gate::authorize('set-commission', $this->route('file'));

        return true;
    }

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'rate' => 'required|string|max:20',
            'agent_share' => 'required|string|max:20',
            'fee' => 'nullable|string|max:20',
            'fee_name' => 'nullable|string|max:60',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'rate.required' => 'Enter the commission as a percent of the price.',
            'agent_share.required' => 'Enter the agent’s split in percent.',
        ];
    }
}
