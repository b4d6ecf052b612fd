<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Mail\NoMore;
use App\Models\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

/** Where someone asks for no more letters that go out by themselves. */
final class NoMoreController
{
    public function show(Request $request): View
    {
        abort_unless($request->hasValidSignature(false), 404);

        return view('messages.no-more', ['address' => (string) $request->query('address'), 'done' => false]);
    }

    /** Mail programs press it themselves (RFC 8058): nothing is undone by it that a person cannot ask back. */
    public function store(Request $request): View
    {
        abort_unless($request->hasValidSignature(false), 404);
        $address = (string) $request->query('address');
        $brokerage = (int) $request->query('of');
        Sight::within($brokerage, static fn () => NoMore::note($brokerage, $address));

        return view('messages.no-more', ['address' => $address, 'done' => true]);
    }
}
