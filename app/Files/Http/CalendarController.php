<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\RenewCalendar;
use App\Files\Actions\RenewMailAddress;
use App\Files\CalendarLink;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** Calendars by their secret addresses, and taking an address back. */
final class CalendarController
{
    public function file(string $key, string $proof): Response
    {
        return $this->answer(CalendarLink::openFile($key, $proof));
    }

    public function person(string $key, string $proof): Response
    {
        return $this->answer(CalendarLink::openPerson($key, $proof));
    }

    public function renewFile(DealFile $file, RenewCalendar $renew): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $renew->ofFile($file);

        return to_route('files.dates.index', $file)->with('told', 'The calendar has a new address. The old one no longer works.');
    }

    public function renewOwn(Request $request, RenewCalendar $renew): RedirectResponse
    {
        $renew->ofPerson(User::signedIn($request));

        return back()->with('told', 'Your calendar has a new address. The old one no longer works.');
    }

    /** The other secret address of a file: where its papers are mailed to. */
    public function renewMail(DealFile $file, RenewMailAddress $renew): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $renew($file);

        return to_route('files.dates.index', $file)->with('told', 'The file has a new email address. Give it to whoever sends you papers.');
    }

    private function answer(?string $feed): Response
    {
        return $feed === null
            ? new Response('This calendar address no longer works. Get the current one in Unanimus.', 404, [
                'Content-Type' => 'text/plain; charset=utf-8',
            ])
            : new Response($feed, 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Cache-Control' => 'private, max-age=300']);
    }
}
