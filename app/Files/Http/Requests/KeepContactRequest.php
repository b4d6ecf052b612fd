<?php

declare(strict_types=1);

namespace App\Files\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Unanimus\Parties\PartyRole;

/** A person for the address book. */
final class KeepContactRequest extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'name' => 'required|string|max:120',
            'firm' => 'nullable|string|max:120',
            'email' => 'nullable|email|max:200',
            'phone' => 'nullable|string|max:40',
            'role' => 'required|in:'.implode(',', PartyRole::values()),
            'standing' => 'nullable|boolean',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.email' => 'This is not an email address.'];
    }
}
