<?php

declare(strict_types=1);

/* Emails that go out. An empty :message, :until or :reason leaves no gap behind. */
$answer = 'Your answers are saved as you go. You can stop and come back with the same button, on any device.';
$yours = 'This link is only for you. Please do not forward this email.';
$steps = 'What happens, step by step: '.rtrim((string) config('app.url'), '/').'/how-signing-works';

return [
    'invite' => [
        'subject' => 'Please sign: :round',
        'body' => '{1} :sender asks you to sign a document for :file. :until'."\n\n:attached\n\n:message\n\n".
            'The button opens the document. '.$yours.
            '|{2} :sender asks you to sign two documents for :file. :until'."\n\n:attached\n\n:message\n\n".
                'The button opens the documents. '.$yours.
            '|[3,*] :sender asks you to sign :count documents for :file. :until'."\n\n:attached\n\n:message\n\n".'The button opens the '.
                'documents. '.$yours,
        'label' => 'Review and sign',
        'closing' => $steps,
        'attached' => 'The pages are attached, to read first.',
        'until' => 'Please sign by :day.',
    ],
    'remind' => [
        'subject' => 'Still to sign: :round',
        'body' => ':sender is waiting for your signature on documents for :file. You can continue where you left off.',
        'label' => 'Continue',
    ],
    'question' => [
        'subject' => 'Question about :round',
        'body' => ":signer asks:\n\n:question",
        'label' => 'Open the round',
    ],
    'rehearsal' => 'Rehearsal, as :to gets it: :subject',
    'answer' => [
        'subject' => 'Answer about :round',
        'body' => "You asked:\n\n:question\n\n:sender answers:\n\n:answer",
        'label' => 'Open the documents',
    ],
    'back' => [
        'subject' => 'An email to :signer came back',
        'body' => "The email to :signer at :address about :round came back: :why.\n\nCorrect the address in the round, and it goes out ".
            'again. Everything that was signed stays.',
        'label' => 'Open the round',
    ],
    'link_back' => [
        'subject' => 'An email to :name came back',
        'body' => "The email to :name at :address about :file came back: :why.\n\nCheck the address, withdraw what you sent, and ".
            'send it again.',
        'label' => 'Open the file',
    ],
    'referred' => [
        'subject' => ':signer says someone else should sign :round',
        'body' => ":signer says these documents for :file should go to someone else:\n\n:where\n\n:why\n\nNothing has changed yet. ".
            'You can put them in this place from the round.',
        'label' => 'Open the round',
    ],
    'locked' => [
        'subject' => ':signer is locked out of :round',
        'body' => ":signer entered a wrong access code too often, so their link for :file is locked.\n\nSet a new code in the round, and ".
            'tell them by phone.',
        'label' => 'Open the round',
    ],
    'ended' => [
        'how' => ['declined' => 'was declined', 'recalled' => 'was recalled', 'expired' => 'reached its last day'],
        'reason' => 'Reason: :reason',
        'sender' => [
            'subject' => 'Signing ended: :round',
            'body' => "The round for :file :how.\n\n:reason\n\nNothing is lost. The papers are drafts again, and you can send them again.",
            'label' => 'Open the round',
        ],
        'signer' => [
            'subject' => 'Nothing more to sign: :round',
            'body' => 'The signing for :file :how. You do not need to do anything. :sender will be in touch.',
            'label' => '',
        ],
    ],
    'finished' => [
        'signer' => [
            'subject' => 'Signed by everyone: :round',
            'body' => 'Everyone has signed the documents for :file. They are attached: :pages pages, with a record of how they were '.
                'signed. Keep this email.',
            'label' => 'See it online',
            'attachment' => 'Signed documents.pdf',
        ],
        'copy' => [
            'subject' => 'Signed by everyone: :round',
            'body' => ':sender sends you a copy of the signed documents for :file. They are attached: :pages pages, with a record of how '.
                'they were signed.',
            'label' => '',
        ],
        'sender' => [
            'subject' => 'Signed by everyone: :round',
            'body' => 'The sealed set is in the file :file.',
            'label' => 'Open the file',
        ],
    ],
    'held' => [
        'subject' => 'Not sent: :round',
        'body' => ':round for :file was set to go out by itself, but it was not sent. :why',
        'label' => 'Open the round',
    ],
    'client_page' => [
        'subject' => 'Your page for :file',
        'body' => ":sender made a page for you about :file: what is asked of you, what comes when, and what you signed.\n\n".
            'This link is only for you. Please do not forward this email.',
        'label' => 'Open your page',
    ],
    'message' => [
        'read' => 'Read the documents',
        'came_back' => 'The email to :address came back: :why',
        'held' => [
            'subject' => 'Not delivered: :subject',
            'body' => 'Your message “:subject” in :file was not delivered. :why'."\n\n".'Your words are kept.',
            'label' => 'Open the message',
        ],
        'no_more' => 'This is an automatic email. To stop emails like this: ',
        'no_more_button' => 'stop automatic emails',
    ],
    'seal_stopped' => [
        'subject' => 'Not sealed: :round',
        'body' => 'Everyone has signed :round for :file, but we could not seal the documents. :why Nothing was changed. Ask your '.
            'administrator to look at it before you use these documents.',
        'label' => 'Open the round',
    ],
    'fill' => [
        'subject' => 'Please fill in: :papers',
        'body' => ":asker asks you to fill in your part of :papers for :file, by :day.\n\n:message\n\n{$answer} {$yours}",
        'label' => 'Fill in',
    ],
    'filled' => [
        'subject' => 'Filled in by :who',
        'body' => ':who has finished :papers for :file. The answers are in the papers.',
        'label' => 'Open the file',
    ],
    'fill_another' => [
        'subject' => ':who asks for a new link',
        'body' => 'The link for :papers in :file no longer works, and :who would like to continue. What was entered is saved.',
        'label' => 'Send a new link',
    ],
    'read' => [
        'subject' => 'Documents to read: :file',
        'body' => ":sender shares documents for :file with you: :pages pages, until :day.\n\n:message\n\nThis link is only for you. We ".
            'record when it is opened.',
        'label' => 'Read the documents',
        'executed' => 'These documents are signed by everyone. Keep a copy of them.',
    ],
    'report-asked' => [
        'subject' => 'Your report, :period',
        'body' => 'The report you asked for is attached in one ZIP file: the figures as a PDF, and every deal behind them as a '.
            'spreadsheet (CSV).',
        'label' => 'Open reports',
    ],
    'report' => [
        'subject' => ':name, :month',
        'body' => 'Your report “:name” is attached. The button opens it with the figures of today.',
        'label' => 'Open the report',
    ],
    'disbursement' => [
        'said' => 'This is the commission disbursement authorization for the closing. Please confirm that you have it.',
    ],
    'disbursement-withdrawn' => [
        'subject' => 'Withdrawn: commission disbursement authorization for :file',
        'body' => ":sender withdraws the commission disbursement authorization number :number for :file. Please do not pay from it.\n\n".
            "Reason: :reason\n\nIf another one takes its place, you get it in an email of its own.",
        'label' => '',
    ],
    'bring' => [
        'subject' => 'Documents needed: :file',
        'body' => ":sender asks you for these documents for :file:\n\n:papers\n\nSend them by this link until :day, as PDFs or photos. ".
            "You need no account.\n\n:message\n\nThis link is only for you.",
        'label' => 'Send the documents',
    ],
    'bring_again' => [
        'subject' => 'Still needed: :file',
        'body' => ":sender still needs from you for :file:\n\n:papers\n\nSend them by this link until :day, as PDFs or photos.\n\n".
            'This link is only for you.',
        'label' => 'Send the documents',
    ],
    'brought' => [
        'subject' => 'Arrived: :papers',
        'body' => '{1} :name sent what you asked for: :papers. It is in :file.|[2,*] :name sent all you asked for: :papers. They are in '.
            ':file.',
        'label' => 'Open the file',
    ],
    'reads' => [
        'subject' => 'Drafts to read: :file',
        'body' => ":by asks you to read these drafts before they are submitted:\n\n:papers\n\n:message",
        'label' => 'Read them',
    ],
    'reads_done' => [
        'subject' => 'Drafts read: :file',
        'body' => '{0} :by has read your drafts and has no remarks.|{1} :by has read your drafts and left 1 remark.|'.
            '[2,*] :by has read your drafts and left :count remarks.',
        'label' => 'See the drafts',
    ],
    'applies' => [
        'subject' => 'It applies: :paper, :file',
        'body' => "You asked to leave :paper out. :by answers that it applies:\n\n:why",
        'label' => 'Open the file',
    ],
    'sent_back' => [
        'subject' => 'Sent back: :paper, :file',
        'body' => ":by sent :paper back:\n\n:remarks\n\nMend it and submit it again.",
        'label' => 'Open the paper',
    ],
    'work' => [
        'subject' => 'Documents for your clients to sign',
        'body' => '{1} :sender sends you a document to have signed by your clients. On your own page you can read it, name your '.
            "clients, and send it to them for signature, until :day. You need no account.\n\n:message\n\nThis link is only for you.|[2,*] ".
            ':sender sends you :papers documents to have signed by your clients. On your own page you can read them, name your clients, '.
            "and send them for signature, until :day. You need no account.\n\n:message\n\nThis link is only for you.",
        'label' => 'Open the documents',
    ],
    'work_back' => [
        'subject' => 'Came back signed: :papers',
        'body' => '{1} :from sent back :papers for :file, signed by their clients. Look at it, then take it as the next version.|[2,*] '.
            ':from sent back :papers for :file, signed by their clients. Look at them, then take them as the next versions.',
        'label' => 'Open the file',
    ],
    'digest' => [
        'subject' => 'Your day: :late late, :new new',
        'body' => ':what|:what',
        'label' => 'Open Today',
    ],
    'cover' => [
        'subject' => 'You work on :of’s files',
        'body' => 'From :from:until you see and work on the open files of :of, and on new ones. You find them among your files.',
        'label' => 'Open my files',
    ],
    'roster' => [
        'subject' => ':who :what: your part',
        'body' => ":who :what on :day. This is for you to do:\n\n:steps",
        'label' => 'Open the list',
    ],
    'took_over' => [
        'subject' => 'You’re taking over files from :from',
        'body' => ":from no longer works here. You’re taking over this file::files\n\nIf it has clients to tell, an email to them is ".
            'ready in its messages. Look it over and send it.|'.
            ":from no longer works here. You’re taking over these :count files::files\n\nWhere there are clients to tell, an email to ".
            'them is ready in the messages of the file. Look it over and send it.',
        'label' => 'Open my files',
    ],
    'handover' => [
        'subject' => ':file: I am your contact now',
        'body' => "Dear {to.first},\n\n:from no longer works here. I’m your contact for :file now. Nothing else changes: dates, documents ".
            "and signatures stay as they are.\n\nPlease call or email me with any questions.",
    ],
    'left' => [
        'subject' => ':who has left',
        'body' => "The last day of :who is over. Access is closed on every device.\n\nFiles handed over: :moved.\nFiles that stay with ".
            'the office and need someone: :frozen',
        'label' => 'Open the list',
    ],
    'credential' => [
        'subject' => ':what ends :day',
        'body' => ':whose (:what) ends on :day. Renew it, and tell the office the new date.',
        'label' => 'Open the roster',
    ],
    'purges' => [
        'subject' => 'Files of :office will be purged from :first',
        'body' => ':count file of :office has reached the end of its retention period. It will be purged from :first, with everything in '.
            'it. Look at the list, and put on hold what must stay.|:count files of :office have reached the end of their retention '.
            'period. They will be purged from :first, with everything in them. Look at the list, and put on hold what must stay.',
        'label' => 'See the list',
    ],
    'join_asked' => [
        'subject' => ':who asks to join :file',
        'body' => ':who represents the other side and asks to work in your file :file. If you agree, they see what is shared and their '.
            'own side’s papers, and nothing of your side’s.',
        'label' => 'Decide in the file',
    ],
    'joined' => [
        'subject' => 'You are in :file',
        'body' => ':by added you to :file for the other side. You see what is shared and your own side’s papers.',
        'label' => 'Open the file',
    ],
    'not_joined' => [
        'subject' => 'Not added to :file',
        'body' => ':by did not add you to :file. Call them if this is a mistake; your own file is as it was.',
        'label' => 'Your files',
    ],
    'removed' => [
        'subject' => 'You no longer work on :file',
        'body' => ':by removed you from the file :file. Its papers and history stay as they are.',
        'label' => 'Your files',
    ],
    'invitation' => [
        'subject' => ':by invites you to Unanimus',
        'body' => ':by invited you to Unanimus. Choose a password to sign in. The button works for two weeks.',
        'label' => 'Choose a password',
    ],
    'forgotten_password' => [
        'subject' => 'Choose another password',
        'body' => 'Someone, most likely you, asked for another password for Unanimus. The button works for :hours hours. If it was not '.
            'you, there is nothing to do: your password stays as it is.',
        'label' => 'Choose another password',
    ],
    'new_device' => [
        'subject' => 'New sign-in from :device',
        'body' => 'Someone signed in to your Unanimus account from :device, which you had not used before (:address). If it was you, '.
            'there is nothing to do. If not, change your password and sign out everywhere.',
        'label' => 'Open your account',
    ],
    'many_tries' => [
        'subject' => 'Someone tries to sign in as you',
        'body' => 'At least :count times in a day, someone entered your email address with a wrong password or code. The last was from '.
            ':device (:address). None of these tries worked. With two-step sign-in, a password alone is never enough.',
        'label' => 'Open your account',
    ],
    'invitation_taken' => [
        'subject' => ':by invites you to Unanimus',
        'body' => ':by invited you to Unanimus. You already use this address at another brokerage, and each address works for one '.
            'brokerage. Give :by another address to invite.',
        'label' => 'Unanimus',
    ],
];
