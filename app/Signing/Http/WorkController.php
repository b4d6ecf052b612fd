<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\Sight;
use App\Models\User;
use App\Models\WorkingCopy;
use App\Models\WorkingCopyPaper;
use App\Papers\PageStore;
use App\Papers\PdfAnswer;
use App\Signing\Actions\GiveWorkingCopy;
use App\Signing\Actions\SignAsGuest;
use App\Storage\Bytes;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Unanimus\Pages\PageText;
use Unanimus\Pages\PdfLook;
use Unanimus\Signing\SigningRefusal;

/** The page of the other side's agent: the papers they were given, whom they ask to sign them, and how that stands. */
final class WorkController
{
    /** Most people of one side. */
    public const CLIENTS = 6;

    public function show(Request $request, string $token): View
    {
        $copy = self::copy($request);

        return view('signing.work.show', [
            'copy' => $copy,
            'file' => $copy->guestFile,
            'token' => $token,
            'rounds' => $copy->guestFile->rounds()->with(['signers', 'papers', 'sealedSet'])->get(),
            'role' => $copy->guestFile->represents->side()->value ?? 'client',
        ]);
    }

    /** A person has moved, touched or typed on the page. */
    public function opened(Request $request, string $token, GiveWorkingCopy $give): Response
    {
        $give->opened(self::copy($request));

        return new Response('', 204);
    }

    public function paper(Request $request, string $token, string $paperkey, Bytes $bytes): View
    {
        $one = self::one($request, $paperkey);

        return view('signing.work.paper', [
            'token' => $token,
            'one' => $one,
            'copy' => self::copy($request),
            'sizes' => PdfLook::into($bytes->path($one->given_sha256), gate: false)->pages(),
            'text' => $request->boolean('text') ? PageText::of($bytes->path($one->given_sha256)) : null,
        ]);
    }

    public function image(Request $request, string $token, string $paperkey, int $page, Bytes $bytes): Response
    {
        $one = self::one($request, $paperkey);
        abort_if($page < 1 || $page > (int) $one->guestPaper->versions()->where('number', 1)->value('pages'), 404);

        return PageStore::send($bytes->path($one->given_sha256), $one->given_sha256, $page, behindLink: true);
    }

    public function pdf(Request $request, string $token, string $paperkey, Bytes $bytes): Response
    {
        $one = self::one($request, $paperkey);

        return PdfAnswer::of($bytes->read($one->returned_sha256 ?? $one->given_sha256), $one->guestPaper->title);
    }

    /** Whom they ask, and to the desk. Whoever works here and is signed in at this browser is not taken for the guest. */
    public function sign(Request $request, string $token, SignAsGuest $sign): RedirectResponse
    {
        $copy = self::copy($request);
        $given = $request->validate(
            [
                'papers' => 'nullable|array|max:100',
                'papers.*' => 'string|max:26',
                'clients' => 'array|max:'.self::CLIENTS,
                'clients.*.name' => 'nullable|string|max:120',
                'clients.*.email' => 'nullable|email:rfc|max:200',
            ],
            ['clients.*.email.email' => 'This is not an email address.'],
        );
        $guest = $this->enterAs($request, $copy);
        $round = $sign(
            $copy,
            $copy->guestFile,
            array_values($given['papers'] ?? []),
            array_values(
                array_map(
                    static fn (array $client) => [
                        'name' => trim((string) ($client['name'] ?? '')),
                        'email' => (string) ($client['email'] ?? ''),
                    ],
                    $given['clients'] ?? [],
                ),
            ),
            $guest,
        );

        return to_route('rounds.show', $round)->with('told', 'Look over where they sign, then send it.');
    }

    /** Back to a round of theirs. */
    public function enter(Request $request, string $token, string $roundkey): RedirectResponse
    {
        $copy = self::copy($request);
        $round = $copy->guestFile->rounds()->where('key', $roundkey)->first() ?? abort(404);
        $this->enterAs($request, $copy);

        return to_route('rounds.show', $round);
    }

    private function enterAs(Request $request, WorkingCopy $copy): User
    {
        $now = $request->user();
        if ($now instanceof User && ! $now->guest) {
            throw SigningRefusal::OtherSignedIn->because(name: $now->name);
        }
        $guest = Auth::getProvider()->retrieveById($copy->guest_id);
        $guest instanceof User && $guest->guest || abort(404);
        if ($now?->id !== $guest->id) {
            $request->session()->regenerate();
            Auth::login($guest);
        }
        Sight::ofPerson($guest);

        return $guest;
    }

    private static function copy(Request $request): WorkingCopy
    {
        $copy = $request->attributes->get('copy');

        return $copy instanceof WorkingCopy ? $copy : abort(404);
    }

    private static function one(Request $request, string $key): WorkingCopyPaper
    {
        return self::copy($request)->papers->firstWhere('key', $key) ?? abort(404);
    }
}
