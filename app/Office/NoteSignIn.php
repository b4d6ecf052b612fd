<?php

declare(strict_types=1);

namespace App\Office;

use App\Access\SignInFailed;
use App\Access\SignIns;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\Sight;
use App\Models\User;
use Illuminate\Auth\Events\Login;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** Keeps a log of sign-ins, and writes to whose they are when one is out of the way. */
final class NoteSignIn
{
    public function __construct(private readonly Application $app, private readonly Request $request)
    {
    }

    public function in(Login $event): void
    {
        $user = $event->user;
        if (! ($user instanceof User) || $user->guest) {
            return;
        }
        SignIns::in($user, $this->request) &&
            $this->tell($user, 'new_device', 'new-device:'.SignIns::device($this->request).':'.$user->key);
        // What the log may see is not for what the request does next; without a transaction around it, it ended with the log's own.
        DB::transactionLevel() > 0 && Sight::ofPerson($user);
    }

    public function failed(SignInFailed $event): void
    {
        // After the answer, for what a refused request wrote is taken back. Once a day is enough to hear of it.
        $isNoted = false;
        $this->app->terminating(function () use ($event, &$isNoted): void {
            if ($isNoted) {
                return;
            }
            $isNoted = true;
            SignIns::failed($event->user, $event->what, $this->request) &&
                $this->tell($event->user, 'many_tries', "many-tries:{$event->user->key}:".now()->format('Ymd'));
        });
    }

    private function tell(User $user, string $letter, string $once): void
    {
        Sight::within($user->brokerage_id, fn () => Post::toColleague(
            $user->brokerage_id,
            mb_substr($once, 0, 100),
            Addressee::user($user),
            Wording::of($letter, [
                'device' => SignIns::device($this->request),
                'address' => (string) $this->request->ip(),
                'count' => (string) SignIns::MANY,
            ]),
            '/me',
        ));
    }
}
