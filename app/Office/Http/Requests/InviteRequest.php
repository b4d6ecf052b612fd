<?php

declare(strict_types=1);

namespace App\Office\Http\Requests;

use App\Models\Role;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A colleague to invite into an office. */
final class InviteRequest extends FormRequest
{
    /** Asked before anything is read: what a stranger sent is not judged. */
    public function authorize(): bool
    {
        Gate::authorize('run-office');

        return true;
    }

    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'name' => 'required|string|max:120',
            'email' => 'required|email|max:200',
            'office' => 'required|string|max:26',
            'role' => 'required|in:'.implode(',', array_column(Role::cases(), 'value')),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.email' => 'This is not an email address.'];
    }
}
