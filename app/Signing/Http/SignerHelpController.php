<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Signing\Actions\KeepCode;
use App\Signing\Actions\RecordEvent;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Lang;
use Unanimus\Signing\EventKind;
use Unanimus\Signing\RoundEvent;

/** What a signer does besides signing: enters the code they were told, or says that someone else should sign. */
final class SignerHelpController
{
    public function code(Request $request, string $token, KeepCode $keep): RedirectResponse
    {
        $given = $request->validate(['code' => 'required|string|max:40'], ['code.required' => __('client.code.first')]);
        $signer = SignerLink::signer($request);
        $refused = $keep->enter($signer, $given['code'], SignController::from($request, $signer));
        if ($refused === null) {
            SignerLink::remember($request, $signer);

            return to_route('sign', $token);
        }
        $key = "refusals.{$refused->reason->value}";
        $words = Lang::hasForLocale($key) ? (string) __($key, $refused->with) : $refused->getMessage();

        return to_route('sign', $token)->withErrors(['code' => $words]);
    }

    public function refer(Request $request, string $token, RecordEvent $record): RedirectResponse
    {
        $given = $request->validate(
            [
                'other' => 'required|string|max:120',
                'other_email' => 'nullable|email|max:200',
                'why' => 'nullable|string|max:500',
                'once' => 'required|string|max:40',
            ],
            ['other.required' => __('client.refer.first'), 'other_email.email' => __('client.refer.no_address')],
        );
        $signer = SignerLink::signer($request);
        $data = [
            'name' => trim($given['other']),
            'email' => trim((string) ($given['other_email'] ?? '')),
            'why' => trim((string) ($given['why'] ?? '')),
        ];
        $where = implode(', ', array_filter([$data['name'], $data['email']]));
        $record(
            $signer->round,
            new RoundEvent(EventKind::Referred, $signer->seat, [...$data, 'where' => $where]),
            "referred:{$signer->once()}:{$given['once']}",
            SignController::from($request, $signer),
        );

        return to_route('sign', $token)->with('told', __('client.refer.told', ['name' => $signer->round->sender->name]));
    }
}
