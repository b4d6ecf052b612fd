<?php

declare(strict_types=1);

namespace App\Shelf\Http;

use App\Models\ShelfItem;
use App\Models\User;
use App\Shelf\Actions\KeepSheet;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Shelf\PersonSheet;

/** A person's own sheet. */
final class SheetController
{
    public function show(Request $request): View
    {
        Gate::authorize('shelf');
        $user = User::signedIn($request);
        $item = ShelfItem::query()->where('user_id', $user->id)->first();

        return view('shelf.sheet', [
            'item' => $item,
            'facts' => array_filter(KeepSheet::of($user, '')->facts),
            'most' => PersonSheet::MOST_WORDS,
            'versions' => $item?->versions()->limit(20)->get() ?? [],
        ]);
    }

    public function update(Request $request, KeepSheet $sheets): RedirectResponse
    {
        Gate::authorize('shelf');
        $given = $request->validate(['words' => 'nullable|string|max:'.PersonSheet::MOST_WORDS]);
        $sheets->write(User::signedIn($request), (string) ($given['words'] ?? ''));

        return to_route('sheet')->with('told', 'Your sheet is on the shelf.');
    }
}
