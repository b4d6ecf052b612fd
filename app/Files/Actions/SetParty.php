<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\Models\DealFile;
use App\Files\Models\Party;
use App\History\History;
use Unanimus\Files\StepRefused;
use Unanimus\Signing\Seat;

/** Seats a person in the deal, or changes who sits there. */
final class SetParty
{
    public function __construct(private readonly ApplyKit $applyKit)
    {
    }

    /**
     * @param array{name: string, signing_name?: string|null, initials?: string|null, email?: string|null, phone?: string|null, firm?: string|null} $given
     *
     * @throws StepRefused when the file is no longer worked on
     */
    public function __invoke(DealFile $file, Seat $seat, array $given): ?Party
    {
        if (! $file->status->isOpen()) {
            throw new StepRefused("This file is {$file->status->readable()}; its people stay as they are.");
        }
        $party = $file->parties()->where('role', $seat->role)->where('number', $seat->number)->first();
        $name = trim($given['name']);
        if ($name === '') {
            $party === null || $this->unseat($file, $seat, $party);

            return null;
        }
        $clean = static fn (string $key) => trim((string) ($given[$key] ?? '')) === '' ? null : trim((string) $given[$key]);
        $values = [
            'brokerage_id' => $file->brokerage_id, 'name' => $name,
            'signing_name' => $clean('signing_name') ?? (($party !== null && $party->signing_name !== $party->name) ? $party->signing_name : $name),
            'initials' => $clean('initials') ?? (($party !== null && $party->name === $name) ? $party->initials : Party::initialsOf($name)),
        ];
        foreach (['email', 'phone', 'firm'] as $key) {
            if (array_key_exists($key, $given)) {
                $values[$key] = $clean($key);
            }
        }
        $seated = $file->parties()->updateOrCreate(['role' => $seat->role, 'number' => $seat->number], $values);
        History::add($file->brokerage_id, $file->id, $party === null ? 'Party added' : 'Party changed', ['seat' => $seat->label(), 'before' => $party->name ?? '', 'after' => $name]);
        ($this->applyKit)($file);

        return $seated;
    }

    private function unseat(DealFile $file, Seat $seat, Party $party): void
    {
        if ($file->rounds()->whereHas('signers', static fn ($signers) => $signers->where('party_id', $party->id))->exists()) {
            throw new StepRefused("{$party->name} has been asked to sign in this file and stays in it.");
        }
        $party->delete();
        History::add($file->brokerage_id, $file->id, 'Party removed', ['seat' => $seat->label(), 'before' => $party->name, 'after' => '']);
        ($this->applyKit)($file);
    }
}
