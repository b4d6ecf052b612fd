<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;

/** Gives a file another mail address; what goes to the old one is proposed to nobody by it. */
final class RenewMailAddress
{
    public function __invoke(DealFile $file): void
    {
        $file->update(['mail_code' => (string) DB::scalar('SELECT new_mail_code()')]);
        History::add($file->brokerage_id, $file->id, 'Mail address renewed', [], SeenBy::everyone());
    }
}
