<?php

declare(strict_types=1);

namespace Unanimus\Pages;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why something is not put on a page. */
enum LayerRefusal: string implements Reason
{
    use Refuses;

    case NoText = 'layer.no-text';
    case OffThePage = 'layer.off-the-page';
    case Full = 'layer.full';
    case NoSuchPage = 'layer.no-such-page';
    case CoversForm = 'layer.covers-form';
    case CoversSigned = 'layer.covers-signed';
    case NoSuchKind = 'layer.no-such-kind';
    case RemovedMeanwhile = 'layer.removed-meanwhile';
    case ChangedMeanwhile = 'layer.changed-meanwhile';
    case ListingAsItStood = 'layer.listing-as-it-stood';
    case AuthorizedFigures = 'layer.authorized-figures';
    case DigitallySigned = 'layer.digitally-signed';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::NoText => 'Enter some text first. Nothing was added.',
            self::OffThePage => 'That is not a place on the page.',
            self::Full => 'This paper has as many additions as it can hold.',
            self::NoSuchPage => 'This paper has no page {page}.',
            self::CoversForm => 'You cannot cover a form’s own words. Strike them out instead, so everyone can see it.',
            self::CoversSigned => 'What was signed stays readable: strike the words instead of covering them.',
            self::NoSuchKind => 'This cannot be added to a page.',
            self::RemovedMeanwhile => '{who} removed this from the page while you were on this page. It was left as it is now.',
            self::ChangedMeanwhile => '{who} changed this while you were on this page. It was left as it is now.',
            self::ListingAsItStood => 'This shows a listing as it stood. It cannot be changed.',
            self::AuthorizedFigures => 'This paper was authorized with the file’s figures. It cannot be changed.',
            self::DigitallySigned => 'This PDF has a digital signature, so nothing can be added to it. Print it to PDF and upload that '.
                'instead.',
        };
    }
}
