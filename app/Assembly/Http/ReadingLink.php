<?php

declare(strict_types=1);

namespace App\Assembly\Http;

use App\Models\Actor;
use App\Models\ReadingCopy;
use App\Models\Sight;
use App\Terms\ChooseLanguage;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets a reader in on their link: the proof in it is checked, then that one file comes into sight and nothing else. */
final class ReadingLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = ReadingCopy::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('assembly.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $copy = ReadingCopy::query()
            ->with(['file.office', 'set', 'giver'])
            ->findOrFail($found->id);
        $this->actor->isFromOutside($copy->name);
        $request->attributes->set('copy', $copy);

        return ChooseLanguage::speaking($copy->language, fn (): Response => $this->answer($request, $copy, $next));
    }

    private function answer(Request $request, ReadingCopy $copy, \Closure $next): Response
    {
        if (! $copy->isOpen() && ! $request->is('read/*/language')) {
            $copy->note('refused', (string) $request->ip());

            return response()->view('assembly.closed', ['copy' => $copy], 410);
        }

        return $next($request);
    }
}
