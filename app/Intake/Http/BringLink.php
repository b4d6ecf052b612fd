<?php

declare(strict_types=1);

namespace App\Intake\Http;

use App\Models\Actor;
use App\Models\PaperRequest;
use App\Models\Sight;
use App\Terms\ChooseLanguage;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets somebody in who brings papers by their link: the proof in it is checked, then that one file comes into sight. */
final class BringLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = PaperRequest::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('intake.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $asking = PaperRequest::query()
            ->with(['file.office', 'asker', 'asked'])
            ->findOrFail($found->id);
        $this->actor->isFromOutside($asking->name);
        $request->attributes->set('asking', $asking);

        return ChooseLanguage::speaking($asking->language, static function () use ($request, $asking, $next): Response {
            $isOver = ! $asking->isOpen() || ! $asking->file->status->isOpen();

            return $isOver && ! $request->is('bring/*/language')
                ? response()->view('intake.over', ['asking' => $asking], 410)
                : $next($request);
        });
    }

    public static function asking(Request $request): PaperRequest
    {
        $asking = $request->attributes->get('asking');

        return $asking instanceof PaperRequest ? $asking : abort(404);
    }
}
