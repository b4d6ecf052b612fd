<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/** Who does what is being done: the person signed in, a signer on their link, or the application itself. */
final class Actor
{
    private ?string $other = null;

    /** From here on it is someone from outside, named so; null: nobody from outside any more. */
    public function isFromOutside(?string $name): void
    {
        $this->other = $name;
    }

    public function name(): string
    {
        return $this->other ?? ($this->user()->name ?? 'Unanimus');
    }

    /** The name of the one from outside; null when it is someone of the brokerage or the application. */
    public function outsider(): ?string
    {
        return $this->other;
    }

    public function userId(): ?int
    {
        return $this->other === null ? $this->user()?->id : null;
    }

    /** Tells the database for whom entries of the history are written from here on. */
    public function tellDatabase(): void
    {
        DB::select("SELECT set_config('unanimus.actor', ?, true), set_config('unanimus.outsider', ?, true)", [
            (string) ($this->userId() ?? ''),
            (string) $this->other,
        ]);
    }

    private function user(): ?User
    {
        $user = Auth::user();

        return $user instanceof User ? $user : null;
    }
}
