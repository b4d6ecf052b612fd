<?php

declare(strict_types=1);

namespace App\Commission\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Unanimus\Commission\Entered;

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
        $amounts = array_fill_keys(['flat', 'minimum', 'credit', 'bonus', 'deduction', 'reduced', 'referral', 'franchise', 'fee'], '');

        return [
            'rate' => 'required|string|max:20',
            'agent_share' => 'nullable|string|max:20',
            ...array_map(static fn () => 'nullable|string|max:20', $amounts),
            'base' => 'nullable|in:price,price_less_concessions',
            'bonus_through' => 'nullable|in:split,straight',
            'referral_of' => 'nullable|in:gross,gross_less_credits',
            'franchise_when' => 'nullable|in:before,after',
            'referral_to' => 'nullable|string|max:60',
            'franchise_to' => 'nullable|string|max:60',
            'deduction_label' => 'nullable|string|max:60',
            'note' => 'nullable|string|max:500',
            'fee_name' => 'nullable|string|max:60',
            'fee_counts' => 'nullable|in:1',
            'splits' => 'nullable|array|max:'.(Entered::FEES - 1),
            'splits.*' => 'nullable|string|max:20',
            'shares' => 'nullable|array|max:6',
            'shares.*' => 'nullable|string|max:20',
            'fees' => 'nullable|array|max:6',
            'fees.*.label' => 'nullable|string|max:60',
            'fees.*.amount' => 'nullable|string|max:20',
            'fees.*.payer' => 'nullable|in:agent,company,client',
            'fees.*.payee' => 'nullable|string|max:60',
            'fees.*.counts' => 'nullable|in:1',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'rate.required' => 'Enter the commission as a percent of the price.',
        ];
    }
}
