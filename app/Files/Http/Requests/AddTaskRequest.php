<?php

declare(strict_types=1);

namespace App\Files\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** A task, on a day of its own or so many days from another. */
final class AddTaskRequest extends FormRequest
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
            'title' => 'required|string|max:200',
            'day' => 'nullable|string|max:40',
            'anchor' => 'nullable|string|max:60|regex:/^[a-z][a-z0-9_.-]*$/',
            'days' => 'nullable|integer|between:-3660,3660',
            'business' => 'nullable|boolean',
            'who' => 'nullable|string|max:26',
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['title.required' => 'Enter the task.'];
    }
}
