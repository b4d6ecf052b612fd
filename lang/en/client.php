<?php

declare(strict_types=1);

/* Pages that clients see by link: short sentences, everyday words, one thing to do at a time. */
return [
    'from' => 'from :name',
    'page' => 'Page :page',
    'pages' => '{1} 1 page|[2,*] :count pages',
    'document_page' => ':document, page :page',
    'back' => 'Back',
    'continue' => 'Continue',
    'read_as_text' => 'Read as text',
    'back_to_pages' => 'Back to the pages',
    'save_pdf' => 'Save as PDF',

    'link' => [
        'title' => 'This link does not work',
        'sign' => 'Part of the link may be missing. Open it again from your email. If it still does not work, ask the person who sent it '.
            'for a new one. Nothing you signed is lost.',
        'fill' => 'Part of the link may be missing, or you were sent a newer one. Open the link in your newest email. If it still does '.
            'not work, ask the person who sent it for a new one. Nothing you entered is lost.',
        'read' => 'Part of the link may be missing. Open it again from your email. If it still does not work, ask the person who sent it '.
            'for a new one.',
    ],

    'sign' => [
        'title' => 'Documents to sign',
        'hello' => 'Hello :name',
        'asks' => '{1} :sender asks you to sign a document for :file.|[2,*] :sender asks you to sign :count documents for :file.',
        'takes' => 'It takes about :minutes.',
        'minutes' => '{1} 1 minute|[2,*] :count minutes',
        'before' => 'Before you start.',
        'terms' => 'Signing here counts the same as signing on paper. You can stop at any time and come back with the same link. You can '.
            'ask for paper copies at no cost. You can change your mind until you press Finish. When everyone has signed, you get all the '.
            'documents by email. You need a device that opens PDF files.',
        'agree' => 'I agree to get and sign these documents electronically.',
        'next' => 'Next you choose how your signature looks.',

        'how' => 'Choose a signature style',
        'how_more' => 'Pick a style, or draw your signature below. You see it on each page before anything is final.',
        'name' => 'Your name',
        'initials' => 'Your initials',
        'styles' => 'Signature style',
        'style' => ':style style',
        'draw' => 'Or draw it here with your finger or the mouse:',
        'draw_field' => 'Space to draw your signature',
        'clear' => 'Clear the drawing',
        'use' => 'Use this signature',

        'sign_here' => 'sign here',
        'initials_here' => 'initial here',
        'type_here' => 'type here',
        'check_here' => 'check box',
        'optional' => ', optional',
        'done' => ', done',
        'left' => '{0} All signed|{1} 1 place left|[2,*] :count places left',
        'larger' => 'Larger pages',
        'start' => 'Start',
        'skip' => 'Leave it empty',
        'download' => 'Download to read first',
        'language' => 'Language',
        'must_agree' => 'Check the box if you agree to sign electronically. If you want to sign on paper, ask for it below.',
        'asked' => 'Your question is on its way to :name.',
        'why_first' => 'Give a short reason so the others know.',
        'question_first' => 'Write your question first.',
        'name_first' => 'Enter your name and your initials first.',
        'drawing_large' => 'That drawing is too large to keep. Clear it and draw again.',

        'ask_title' => 'Not comfortable signing?',
        'question' => 'Your question for :name',
        'ask' => 'Send question',
        'decline_why' => 'Why you do not want to sign. This ends the signing for everyone.',
        'decline' => 'Decline to sign',

        // Said by the page while one signs
        'script' => [
            'done' => 'All signed', 'one' => '1 place left', 'many' => ':count places left', 'finish' => 'Finish',
            'start' => 'Start', 'next' => 'Next place', 'sign' => 'Sign here', 'initial' => 'Initial here', 'made' => 'done',
            'save' => 'Save', 'check' => 'Check this box', 'uncheck' => 'Uncheck', 'answer' => 'Your answer',
            'old' => 'This page was open too long. Reload it. Everything you signed is saved.', 'failed' => 'That did not work. Try '.
                'again.', 'offline' => 'There is no connection. What you signed so far is saved. Try again in a moment.',
        ],

        'text_intro' => 'The text of the document, to read or listen to.',
        'text_back' => 'Back to signing',
    ],

    'proof' => [
        'title' => 'Is this file genuine?',
        'how' => 'Choose a signed PDF. We tell you if it was sealed here and if anything in it was changed since. We do not keep it.',
        'file' => 'The PDF',
        'check' => 'Check it',
        'again' => 'Check another file',
        'whole' => 'Whole and unchanged',
        'whole_more' => 'This file was sealed here for :brokerage on :when. Not one byte of it was changed since.',
        'signed' => 'Signed by :signers.',
        'sealed' => 'Sealed here, and unchanged',
        'sealed_more' => 'The seal is ours and covers the whole file. It was sealed on :when. It is not the complete set as we filed it.',
        'other' => 'Not sealed here',
        'other_more' => 'The file carries a valid digital signature, but not ours. Ask whoever signed it.',
        'added' => 'Something was added',
        'added_more' => 'The file was sealed here, but something was added to it afterwards. Do not rely on it. Ask for the original.',
        'changed' => 'Changed, or damaged',
        'changed_more' => 'The seal of this file does not hold: something in it was changed after it was signed, or it was damaged on '.
            'its way. Do not rely on it. Ask for the original.',
        'none' => 'No seal',
        'none_more' => 'There is no seal in this file. A scan, a print to PDF or a part of a set loses it. Ask for the original.',
        'no_pdf' => 'That is not a PDF we can read. Choose the PDF as you got it.',
        'required' => 'Choose a PDF first.',
        'large' => 'That file is larger than :most MB. Sealed sets are smaller.',
    ],

    'over' => [
        'sealed' => 'Everyone has signed',
        'sealed_more' => 'The documents for :file are complete: :pages pages, with a record of how they were signed. We emailed you '.
            'a copy.',
        'single' => 'Each document on its own',
        'single_more' => 'A lender or an escrow company may ask for a single document. Each is sealed, with its own record.',
        'open' => 'Open the signed documents',
        'ended' => 'This link no longer shows them. Use the copy in your email, or ask :name for another.',
        'complete' => 'Everyone has signed',
        'complete_more' => 'We are preparing the documents. You will get a copy by email in about a minute.',
        'thanks' => 'Thank you, :name',
        'thanks_more' => 'You are done. When everyone else has signed, you get all the documents by email. You can close this page.',
        'declined' => 'This signing has ended',
        'declined_more' => 'Someone declined to sign. You do not need to do anything. :name will be in touch.',
        'recalled' => 'There is nothing to sign right now',
        'recalled_more' => ':name took the documents back, perhaps to change something. You will get a new email if there is something '.
            'to sign.',
        'lapsed' => 'The last day to sign has passed',
        'lapsed_more' => 'You could sign these documents until :day. Ask :name to send them again.',
        'waits' => 'It is not your turn yet',
        'waits_more' => 'Others sign first. You will get an email when it is your turn.',
    ],

    'fill' => [
        'title' => 'Documents to fill in',
        'asks' => ':name asks you to fill in your part by :day. Your answers are saved as you go.',
        'takes' => 'It takes about :minutes.',
        'answered' => 'Answered',
        'count' => ':done of :all answered',
        'start' => 'Start',
        'one_by_one' => 'You get one question at a time.',
        'on_page' => ':document: fill in on the page',
        'needed' => 'See what is still needed',
        'finish' => 'Finish',
        'later' => 'You can stop at any time and come back with the same email, on any device.',

        'closed_withdrawn' => 'Nothing more to fill in',
        'closed_withdrawn_more' => ':name no longer needs these answers. What you entered is saved.',
        'closed_passed' => 'The last day has passed',
        'closed_passed_more' => 'This link worked until :day. What you entered is saved.',
        'another' => 'Ask :name for a new link',

        'done' => 'Thank you. You are done.',
        'done_more' => 'Your answers are in the documents for :file, and we told :name. You do not need to do anything else.',
        'done_wrong' => 'Is something wrong? Reply to the email, and :name can send you the documents again.',

        'saved_as_you_go' => 'Each answer is saved as you leave it',
        'left' => ':count needed',
        'next' => 'Next',
        'keep_mine' => 'Keep mine',
        'use_theirs' => 'Use theirs',
        'page_done' => 'Done with this page',

        'question' => 'Question :number of :count',
        'which' => 'Which one is it?',
        'yes' => 'Yes, this applies',
        'not_yet' => 'Not answered yet',
        'save' => 'Save and continue',
        'stop' => 'Stop for now',
        'where' => 'Where it is on page :page',
        'see_page' => 'See the page',
        'optional' => 'You can leave this empty.',
        'money' => 'A dollar amount, such as 1,250 or 450k.',
        'percent' => 'A percentage, such as 3 or 2.5.',
        'date' => 'A date, such as 5/14 or May 14.',
        'time' => 'A time, such as 3 pm.',
        'number' => 'A number.',
    ],

    'read' => [
        'title' => 'Documents to read',
        'for' => ':pages for :name, until :day.',
        'text_intro' => 'The text of the documents, to read or listen to.',
        'closed' => 'These documents are no longer open',
        'closed_more' => ':name closed this reading copy.',
        'passed' => 'The last day has passed',
        'passed_more' => 'You could read these documents until :day.',
        'ask' => 'Ask :name for a new link, or write to',
    ],

    'picture_page' => 'This page is a picture. It has no text to read out.',
];
