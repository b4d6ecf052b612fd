<?php

declare(strict_types=1);

/**
 * Places without a file in them; each guards what it shows in its own test.
 *
 * @return list<string> as Str::is reads them
 */
function routesWithoutFile(): array
{
    return [
        'inbox/*',
        'office/plans*',
        'help/{place?}', // the same for everybody who works here
        'office/shelf*', // refused in ShelfTest
        'people/{user}/look', 'look/end', // refused in LookAsTest
        'office/roster*', 'office/covers*', 'office/coordinators/{office}', // refused in RosterTest
        'notices', 'notices/*', // refused in NoticesTest
        'office/connections*', // refused in ApiTest

        'me',
        'me/keys', 'me/mail-address',
        'office/history',
        'me/second-factor',
        'me/second-factor.svg',
        'me/second-factor/on',
        'me/sessions/{hash}',
        'me/remembered/{device}',
        'people',
        'people/{user}',
        'people/{user}/invitation',
        'people/{user}/roles',
        'people/{user}/active',
        'offices',
        'offices/{office}',
        'contacts',
        'contacts.vcf',
        'contacts/propose',
        'contacts/cards',
        'contacts/{contact}',
        'files.csv',
        'find',
        'labels',
        'views',
        'views/{view}',
        'kits',
        'conditions/preview',
        'kits/{key}',
        'kits/{kit}',
        'kits/{kit}/versions/{version}',
        'kits/{key}/forms/{number}',
        'kits/{key}/papers/{place}',
        'library/{number}/pages/{page}.webp',
        'rules',
        'rules/own',
        'rules/try',
        'rules/new',
        'rules/{rule}',
        'rules/{rule}/active',
        'imports',
        'imports/{import}',
        'imports/{import}/try',
        'imports/{import}/start',
        'imports/{import}/progress',
        'imports/{import}/rows/{number}',
        'imports/{import}/left.csv',
        'imports/{import}/papers',
        'imports/{import}/papers/progress',
        'imports/{import}/papers.csv',
        'imports/{import}/folders',
        'imports/{import}/people',
        'office/sheet',
        'office/running', 'office/running/{kind}/{thing}', // refused in RunningTest
        'office/two-steps', // refused in SignInsTest
        'office/company-sign-in', // refused in CompanySignInTest
        'office/history.jsonl', // refused in AuditTest
        'office/setup', 'office/setup/sender', 'office/setup/finish', 'office/setup/{step}', 'people/list', // refused in SetupTest
        'office/fees', 'office/fees/{office}', // refused in ReviewAndCommissionTest
        'office/permissions*', // refused in PermissionsTest
        'files.zip', // refused in MovingPapersTest
        'files/{file}/offers/{offer}',
        '/',
        'files',
        ...['open', 'listings', 'review'],
        'commission',
        // Refused in DisbursementTest and ReportsTest.
        ...['office/letters', 'office/letters/*', 'office/letter-rules', 'office/letter-rules/{rule}'],
        ...['office/disbursements', 'office/disbursements/signature', 'office/disbursements/{office}', 'office/debts/{debt}/settle'],
        ...['reports', 'reports/deals', 'reports.csv', 'reports.pdf', 'reports/kept', 'reports/kept/{report}', 'reports/mail',
            'reports/agents/{user}', 'reports/agents/{user}/pdf', 'files/{file}/commission/versions/{version}'],
        ...['office', 'office/offices', 'office/library', 'office/inbox'],
        ...['office/archive', 'office/archive/{office}', 'office/archive/certificates/{certificate}'], // refused in RetentionTest
        // Refused in FindingTest.
        'offices/{office}/forms/{number}',
        ...['here', 'here/give/{signer}', 'here/end'], // refused in InPersonTest
        ...['review/done', 'review/accept-looked', 'review/sentences', 'review/sentences/{sentence}'], // refused in ReviewTogetherTest
        ...['practice', 'loose-papers', 'inbox'], // refused in PracticeTest, LoosePapersTest and InboxTest
        // Refused in StencilsTest.
        'stencils',
        'stencils/{stencil}',
        'own-forms',
        'own-forms/{own}',
        'own-forms/{own}/changes',
        'own-forms/{own}/pages/{page}.webp',
        'own-forms/{own}/try',
        'own-forms/{own}/in-force',
        'own-forms/{own}/revise',
        'own-forms/{own}/retired',
        'sign-out',
        'sign-out/everywhere',
        'password',
        'style/empty',
        'tasks',
        'calendar',
    ];
}
