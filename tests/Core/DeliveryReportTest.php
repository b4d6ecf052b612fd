<?php

declare(strict_types=1);

use Unanimus\Intake\DeliveryReport;

it('reads which message failed for whom, and why in words', function (string $status, string $because) {
    $report = DeliveryReport::of(
        "Reporting-MTA: dns; mx\n\nFinal-Recipient: rfc822;a@b.example\nAction: Failed\nStatus: {$status}\nDiagnostic-Code: smtp; 550 no",
        "Subject: x\nMessage-ID: <abc@host>\n",
    );
    expect([$report?->recipient, $report?->because, $report?->messageId])->toBe(['a@b.example', $because, 'abc@host']);
})->with([
    ['5.1.1', 'there is no such mailbox'],
    ['5.2.1', 'the mailbox is closed'],
    ['5.2.2', 'the mailbox is full'],
    ['5.2.3', 'it is too large for that mailbox'],
    ['5.4.4', 'its mail server cannot be reached'],
    ['5.7.1', 'its mail server does not accept it'],
    ['5.0.0', '550 no'],
]);

it('says nothing of what is only late, or of no message it names', function (string $status, string $returned) {
    expect(DeliveryReport::of($status, $returned))->toBeNull();
})->with([
    'late' => ["Reporting-MTA: dns; mx\n\nAction: delayed\nStatus: 4.4.1", "Message-ID: <abc@host>\n"],
    'delivered' => ["\n\nAction: delivered\nStatus: 2.0.0", "Message-ID: <abc@host>\n"],
    'no message' => ["\n\nAction: failed\nStatus: 5.1.1", "Subject: x\n"],
    'nothing' => ['', ''],
]);
