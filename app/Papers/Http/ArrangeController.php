<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\DealFile;
use App\Models\User;
use App\Papers\Actions\ArrangePapers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** Several papers of the board at once: order, tags, rows they belong to. */
final class ArrangeController
{
    public function order(Request $request, DealFile $file, ArrangePapers $arrange): Response
    {
        Gate::authorize('work-on', $file);
        $arrange->order($file, $this->papers($request));

        return response('', 204);
    }

    public function tag(Request $request, DealFile $file, ArrangePapers $arrange): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['tags' => 'nullable|string|max:200']);
        $papers = $this->papers($request);
        $changed = $request->boolean('remove')
            ? $arrange->untag($file, $papers)
            : $arrange->tag($file, $papers, (string) ($given['tags'] ?? ''));

        return to_route('files.show', $file)->with('told', 'Tags saved: '.($changed === 1 ? '1 paper' : "{$changed} papers").' changed.');
    }

    public function assign(Request $request, DealFile $file, ArrangePapers $arrange): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $why = $arrange->assign($file, $this->papers($request), User::signedIn($request));

        return redirect("/files/{$file->key}#placing")->with(array_filter(['refused' => implode(' ', $why)]));
    }

    /** @return list<string> */
    private function papers(Request $request): array
    {
        $given = $request->validate(
            ['papers' => 'required|array|max:100', 'papers.*' => 'string|max:26'],
            ['papers.required' => 'Select at least one paper first.'],
        );

        return array_values($given['papers']);
    }
}
