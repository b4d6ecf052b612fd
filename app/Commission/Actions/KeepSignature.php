<?php

declare(strict_types=1);

namespace App\Commission\Actions;

use App\History\History;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Signing\SignaturePicture;
use Unanimus\Steps\StepRefused;

/** Keeps a broker's own signature for the authorizations they give. */
final class KeepSignature
{
    /**
     * @param string $bytes a picture of it
     *
     * @throws StepRefused when no signature can be made out on it
     */
    public function keep(User $broker, string $bytes): void
    {
        $ink = SignaturePicture::read($bytes)->toArray();
        DB::table('signature_pictures')->updateOrInsert(['user_id' => $broker->id], [
            'brokerage_id' => $broker->brokerage_id,
            'ink' => json_encode($ink, JSON_THROW_ON_ERROR),
            'set_at' => now(),
        ]);
        History::ofBrokerage($broker->brokerage_id, 'Signature picture set', ['person' => $broker->name]);
    }

    public function forget(User $broker): void
    {
        DB::table('signature_pictures')->where('user_id', $broker->id)->delete() > 0
            && History::ofBrokerage($broker->brokerage_id, 'Signature picture removed', ['person' => $broker->name]);
    }

    public static function of(User $broker): ?SignaturePicture
    {
        $kept = DB::table('signature_pictures')->where('user_id', $broker->id)->value('ink');

        return $kept === null ? null : SignaturePicture::given(json_decode((string) $kept, true));
    }
}
