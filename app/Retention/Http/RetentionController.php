<?php

declare(strict_types=1);

namespace App\Retention\Http;

use App\Models\Office;
use App\Models\PurgeCertificate;
use App\Models\User;
use App\Retention\Actions\KeepRetention;
use App\Retention\FilesToKeep;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Gate;
use Unanimus\Retention\RetentionRules;

/** How long each office keeps its ended files, what will be purged when, and what was. */
final class RetentionController
{
    private const SHOWN = 100;

    public function index(Request $request, FilesToKeep $files): View
    {
        Gate::authorize('run-office');
        $offices = self::offices(User::signedIn($request));
        $office = $offices->firstWhere('key', $request->query('office')) ?? $offices->first() ?? abort(403);

        return view('retention.index', [
            'offices' => $offices,
            'office' => $office,
            'rules' => $office->retentionRules(),
            'soon' => $files->over($office, $office->today()->plusMonths(12), self::SHOWN),
            'held' => $files->held($office),
            'certificates' => PurgeCertificate::query()->where('office_id', $office->id)->orderByDesc('id')->limit(self::SHOWN)->get(),
        ]);
    }

    public function update(Request $request, Office $office, KeepRetention $keep): RedirectResponse
    {
        Gate::authorize('run-office');
        abort_unless(User::signedIn($request)->runs($office), 403);
        $given = $request->validate(['years' => 'nullable|array|max:60', 'years.*' => 'nullable|string|max:10',
            'archive' => 'nullable|string|max:10']);
        $keep->setRules($office, RetentionRules::typed($given['years'] ?? [], (string) ($given['archive'] ?? '')),
            User::signedIn($request));

        return redirect()->to("/office/archive?office={$office->key}")->with('told', "Saved for {$office->name}.");
    }

    public function certificate(Request $request, PurgeCertificate $certificate): View
    {
        Gate::authorize('run-office');
        abort_unless(User::signedIn($request)->runs($certificate->office), 403);
        $name = trim((string) $request->query('name', ''));

        return view('retention.certificate', [
            'certificate' => $certificate,
            'name' => $name,
            'is' => $name === '' ? null : hash_equals($certificate->name_hash, PurgeCertificate::hashOf($certificate->file_key, $name)),
        ]);
    }

    /** @return Collection<int, Office> those the person runs */
    private static function offices(User $user): Collection
    {
        return Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => $user->runs($office))->toBase();
    }
}
