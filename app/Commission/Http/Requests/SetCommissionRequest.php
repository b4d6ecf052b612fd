<?php

declare(strict_types=1);

namespace App\Commission\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Unanimus\Commission\FeeEntered;
use Unanimus\Commission\LineEntered;

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
        $amounts = ['rate', 'agent_share', 'flat', 'minimum', 'maximum', 'credit', 'bonus', 'deduction', 'reduced', 'referral', 'franchise',
            'franchise_cap', 'franchise_paid', 'fee'];
        $names = ['referral_to', 'franchise_to', 'franchise_agent', 'bonus_to', 'deduction_label', 'deduction_to', 'fee_name'];

        return [
            ...array_fill_keys($amounts, 'nullable|string|max:20'),
            ...array_fill_keys($names, 'nullable|string|max:60'),
            'base' => 'nullable|in:price,price_less_concessions',
            'bonus_through' => 'nullable|in:split,straight',
            'referral_of' => 'nullable|in:gross,gross_less_credits',
            'franchise_when' => 'nullable|in:before,after',
            'franchise_by' => 'nullable|in:company,agents',
            'franchise_per' => 'nullable|in:agent,office',
            'note' => 'nullable|string|max:500',
            'fee_counts' => 'nullable|in:1',
            'splits' => 'nullable|array|max:'.(FeeEntered::MOST - 1),
            'splits.*' => 'nullable|string|max:20',
            'shares' => 'nullable|array|max:6',
            'shares.*' => 'nullable|string|max:20',
            'lines' => 'nullable|array|max:'.LineEntered::MOST,
            'lines.*.kind' => 'nullable|in:'.implode(',', array_keys(LineEntered::KINDS)),
            'lines.*.percent' => 'nullable|string|max:20',
            'lines.*.of' => 'nullable|string|max:20',
            'fees' => 'nullable|array|max:'.(FeeEntered::MOST - 1),
            ...array_fill_keys(
                ['fees.*.label', 'fees.*.payee', 'fees.*.agent', 'fees.*.amount', 'fees.*.minimum', 'fees.*.maximum', 'fees.*.cap'],
                'nullable|string|max:60',
            ),
            'fees.*.payer' => 'nullable|in:agent,company,client',
            'fees.*.base' => 'nullable|in:'.implode(',', array_keys(FeeEntered::BASES)),
            'fees.*.counts' => 'nullable|in:1',
        ];
    }
}
