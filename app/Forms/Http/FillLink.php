<?php

declare(strict_types=1);

namespace App\Forms\Http;

use App\Models\Actor;
use App\Models\FillRequest;
use App\Models\Sight;
use App\Terms\ChooseLanguage;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Unanimus\Forms\FillStatus;

/** Lets a client in on their link: the proof in it is checked, then that one file comes into sight and nothing else. */
final class FillLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = FillRequest::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('forms.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $fill = FillRequest::query()
            ->with(['file.office', 'file.knownFacts', 'file.parties', 'file.papers', 'file.members', 'asker', 'papers.values'])
            ->findOrFail($found->id);
        $this->actor->isFromOutside($fill->name);
        $request->attributes->set('fill', $fill);

        return ChooseLanguage::speaking($fill->language, fn (): Response => $this->answer($request, $fill, $next));
    }

    private function answer(Request $request, FillRequest $fill, \Closure $next): Response
    {
        if (! $fill->takes() && ! $request->is('fill/*/another', 'fill/*/language')) {
            return $request->expectsJson()
                ? response()->json(
                    ['message' => __('client.fill.ended')],
                    410,
                )
                : response()->view(
                    $fill->status === FillStatus::Finished ? 'forms.fill-done' : 'forms.fill-closed',
                    ['fill' => $fill, 'token' => $fill->token()],
                    $fill->status === FillStatus::Finished ? 200 : 410,
                );
        }

        return $next($request);
    }
}
