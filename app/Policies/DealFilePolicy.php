<?php

declare(strict_types=1);

namespace App\Policies;

use App\Access\Reach;
use App\Models\DealFile;
use App\Models\Role;
use App\Models\User;

/** What a person may do with a file. The database holds the same line for what is seen at all. */
final class DealFilePolicy
{
    public function see(User $user, DealFile $file): bool
    {
        return Reach::allows($user, $file);
    }

    public function workOn(User $user, DealFile $file): bool
    {
        return $file->brokerage_id === $user->brokerage_id && $file->isServedBy($user);
    }

    public function review(User $user, DealFile $file): bool
    {
        return $this->answers($user, $file);
    }

    public function seeCommission(User $user, DealFile $file): bool
    {
        return $this->keepsCommission($user, $file) || $file->members->contains(static fn ($member) => $member->user_id === $user->id);
    }

    public function setCommission(User $user, DealFile $file): bool
    {
        return $this->keepsCommission($user, $file) || $file->isServedBy($user);
    }

    public function authorizeDisbursement(User $user, DealFile $file): bool
    {
        return $this->answers($user, $file);
    }

    /** What came in and who was paid: the broker and the bookkeeper. */
    public function keepPayments(User $user, DealFile $file): bool
    {
        return $this->keepsCommission($user, $file);
    }

    /** The broker; whoever practises is their own. */
    private function answers(User $user, DealFile $file): bool
    {
        return $file->practice ? $file->isServedBy($user) : ! $file->isApart() && $user->holds(Role::Broker, $file->office_id);
    }

    private function keepsCommission(User $user, DealFile $file): bool
    {
        return ! $file->isApart() && ($user->holds(Role::Broker, $file->office_id) || $user->holds(Role::Bookkeeper, $file->office_id));
    }
}
