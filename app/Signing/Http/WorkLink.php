<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Actor;
use App\Models\Sight;
use App\Models\WorkingCopy;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets the other side's agent in on their link: the proof in it is checked, then their own small file comes into sight. */
final class WorkLink
{
    public function __construct(private readonly Actor $actor)
    {
    }

    public function handle(Request $request, \Closure $next): Response
    {
        $found = WorkingCopy::atLink((string) $request->route('token'));
        if ($found === null) {
            return response()->view('signing.work.no-link', [], 404);
        }
        Sight::ofFile((int) $found->brokerage_id, (int) $found->deal_file_id);
        $copy = WorkingCopy::query()
            ->with(['guestFile.office', 'guestFile.parties', 'guestFile.members', 'papers.guestPaper.latest', 'giver'])
            ->findOrFail($found->id);
        $this->actor->isFromOutside($copy->name);
        if (! $copy->isOpen($copy->guestFile->office->today())) {
            return response()->view('signing.work.closed', ['copy' => $copy], 410);
        }
        $request->attributes->set('copy', $copy);

        return $next($request);
    }
}
