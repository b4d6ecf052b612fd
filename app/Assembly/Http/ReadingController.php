<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Models\ReadingCopy;
use App\Papers\PageStore;
use App\Papers\PdfAnswer;
use App\Storage\Bytes;
use App\Terms\ChooseLanguage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Unanimus\Pages\PageText;
use Unanimus\Pages\PdfLook;

/** Papers put together, as someone from outside reads them. */
final class ReadingController
{
    public function show(Request $request, string $token, Bytes $bytes): View
    {
        $copy = self::copy($request);

        return view('assembly.read', [
            'copy' => $copy,
            'token' => $token,
            'sizes' => PdfLook::into($bytes->path((string) $copy->set->sha256), gate: false)->pages(),
        ]);
    }

    /** The whole set as running text, for whoever listens to it. */
    public function text(Request $request, string $token, Bytes $bytes): View
    {
        $copy = self::copy($request);

        return view('assembly.text', [
            'copy' => $copy,
            'token' => $token,
            'pages' => PageText::of($bytes->path((string) $copy->set->sha256)),
        ]);
    }

    /** The reader chooses a language. */
    public function language(Request $request, string $token, ChooseLanguage $choose): RedirectResponse
    {
        $copy = $request->attributes->get('copy');
        $choose($copy instanceof ReadingCopy ? $copy : abort(404), ChooseLanguage::asked($request));

        return to_route('read', $token);
    }

    /** A person has moved, touched or typed on the page. */
    public function opened(Request $request): Response
    {
        self::copy($request)->note('opened', (string) $request->ip());

        return new Response('', 204);
    }

    public function image(Request $request, string $token, int $page, Bytes $bytes): Response
    {
        $set = self::copy($request)->set;
        abort_if($page < 1 || $page > (int) $set->pages, 404);

        return PageStore::send($bytes->path((string) $set->sha256), (string) $set->sha256, $page, behindLink: true);
    }

    public function pdf(Request $request, string $token, Bytes $bytes): Response
    {
        $copy = self::copy($request);
        $request->isMethod('HEAD') || $copy->note('downloaded', (string) $request->ip());

        return PdfAnswer::of($bytes->read((string) $copy->set->sha256), $copy->set->title);
    }

    private static function copy(Request $request): ReadingCopy
    {
        $copy = $request->attributes->get('copy');

        return $copy instanceof ReadingCopy ? $copy : abort(404);
    }
}
