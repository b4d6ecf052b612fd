<?php

declare(strict_types=1);

namespace App\Signing\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** What a signer does at one place; the link says who they are. */
final class MakeMarkRequest extends FormRequest
{
    /** @return array<string, string> */
    public function rules(): array
    {
        return [
            'value' => 'nullable|string|max:2000',
            'once' => 'nullable|string|max:40|regex:/^[\w-]+$/',
        ];
    }
}
