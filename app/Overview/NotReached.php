<?php

declare(strict_types=1);

namespace App\Overview;

use Unanimus\Forms\FillStatus;

/** People whose link did not arrive: they wait on whoever can set the address right. */
final class NotReached
{
    /** @return list<TodayRow> a row for each in files one works on */
    public static function rows(Waiting $waiting): array
    {
        $mine = $waiting->mine->modelKeys();
        $rows = [];
        foreach ($waiting->signers()->whereIn('deal_file_id', $mine) as $signer) {
            $waiting->isNotReached($signer) && ($rows[] = new TodayRow(
                "Email did not reach {$signer->name}",
                $signer->round->title,
                $waiting->mine[$signer->deal_file_id]->name,
                "/rounds/{$signer->round->key}",
                hot: true,
            ));
        }
        foreach ($waiting->requests()->where('status', FillStatus::Out)->whereIn('deal_file_id', $mine) as $request) {
            $file = $waiting->mine[$request->deal_file_id];
            $waiting->isNotReached($request) && ($rows[] = new TodayRow(
                "Email did not reach {$request->name}",
                'to fill in',
                $file->name,
                "/files/{$file->key}/fill-requests",
                hot: true,
            ));
        }

        return $rows;
    }
}
