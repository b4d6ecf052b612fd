<?php

declare(strict_types=1);

namespace App\Notices\Http;

use App\Models\DealFile;
use App\Models\Notice;
use App\Models\User;
use App\Notices\Actions\KeepNotices;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Notices\NoticeChoice;

/** What is new for a person, and how they want to be told. */
final class NoticeController
{
    private const SHOWN = 100;

    public function index(Request $request): View
    {
        $user = self::user($request);

        return view('notices.index', [
            'notices' => Notice::query()->with('file')->where('user_id', $user->id)->orderByDesc('id')->limit(self::SHOWN)->get(),
            'user' => $user,
        ]);
    }

    /** How many are new: asked for by open pages by themselves. */
    public function count(Request $request): Response
    {
        $new = Notice::query()->where('user_id', self::user($request)->id)->whereNull('seen_at')->count();

        return new Response(view('notices.count', ['new' => $new])->render(), 200, ['Cache-Control' => 'no-store']);
    }

    /** One is opened: seen, and where it leads. */
    public function open(Request $request, string $notice, KeepNotices $keep): RedirectResponse
    {
        $user = self::user($request);
        $one = Notice::query()->where(['user_id' => $user->id, 'key' => $notice])->firstOrFail();
        $keep->see($user, $one->key);

        return redirect()->to(str_starts_with((string) $one->action, '/') ? (string) $one->action : '/notices');
    }

    public function see(Request $request, KeepNotices $keep): RedirectResponse
    {
        $keep->see(self::user($request), null);

        return to_route('notices')->with('told', 'All marked as read.');
    }

    public function settings(Request $request): View
    {
        $user = self::user($request);
        $settings = $user->noticeSettings();

        return view('notices.settings', [
            'settings' => $settings,
            'muted' => DealFile::query()->whereIn('key', $settings->muted)->orderBy('name')->get(),
            'zone' => $user->zone(),
        ]);
    }

    public function set(Request $request, KeepNotices $keep): RedirectResponse
    {
        $user = self::user($request);
        $given = $request->validate([
            'choices' => 'nullable|array|max:40',
            'choices.*' => [Rule::enum(NoticeChoice::class)],
            'hour' => 'nullable|integer|min:0|max:23',
            'days' => 'nullable|array|max:7',
            'days.*' => 'integer|min:1|max:7',
            'quiet_from' => 'nullable|integer|min:0|max:23',
            'quiet_until' => 'nullable|integer|min:0|max:23',
        ]);
        $keep->set($user, $user->noticeSettings()->with(
            $given['choices'] ?? [],
            (string) ($given['hour'] ?? '8'),
            array_map(strval(...), array_values($given['days'] ?? [])),
            (string) ($given['quiet_from'] ?? ''),
            (string) ($given['quiet_until'] ?? ''),
        ));

        return to_route('notices.settings')->with('told', 'Saved.');
    }

    public function mute(Request $request, DealFile $file, KeepNotices $keep): RedirectResponse
    {
        Gate::authorize('see', $file);
        $keep->mute(self::user($request), $file, $request->boolean('muted'));

        return back()->with('told', $request->boolean('muted')
            ? 'You no longer get emails about this file, except when a signer is stuck.'
            : 'You get emails about this file again.');
    }

    private static function user(Request $request): User
    {
        $user = User::signedIn($request);
        abort_if($user->guest, 403);

        return $user;
    }
}
