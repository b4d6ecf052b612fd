<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Steps\Reason;
use Unanimus\Steps\Refuses;

/** Why a round is not sent, changed or signed. */
enum SigningRefusal: string implements Reason
{
    use Refuses;

    case AlreadyOut = 'signing.already-out';
    case LastDayPassed = 'signing.last-day-passed';
    case PaperNotOpen = 'signing.paper-not-open';
    case NoPapers = 'signing.no-papers';
    case DealEnded = 'signing.deal-ended';
    case NotTheirTurn = 'signing.not-their-turn';
    case NotSealedYet = 'signing.not-sealed-yet';
    case NothingToSeal = 'signing.nothing-to-seal';
    case NotAdopted = 'signing.not-adopted';
    case NothingDrawn = 'signing.nothing-drawn';
    case DrawingUnreadable = 'signing.drawing-unreadable';
    case NoPicture = 'signing.no-picture';
    case PictureTooLarge = 'signing.picture-too-large';
    case PictureUnreadable = 'signing.picture-unreadable';
    case NoSignatureSeen = 'signing.no-signature-seen';
    case NoSuchStyle = 'signing.no-such-style';
    case NotTheirs = 'signing.not-theirs';
    case AdoptedForGood = 'signing.adopted-for-good';
    case NotConsented = 'signing.not-consented';
    case Finished = 'signing.finished';
    case NotYet = 'signing.not-yet';
    case Lapsed = 'signing.lapsed';
    case Recalled = 'signing.recalled';
    case Declined = 'signing.declined';
    case EveryoneSigned = 'signing.everyone-signed';
    case NotSent = 'signing.not-sent';
    case OnlySigner = 'signing.only-signer';
    case RoundEnded = 'signing.round-ended';
    case NobodyAsked = 'signing.nobody-asked';
    case SentTwice = 'signing.sent-twice';
    case OnlySender = 'signing.only-sender';
    case NotAsked = 'signing.not-asked';
    case RoundHasFaults = 'signing.round-has-faults';
    case NoName = 'signing.no-name';
    case TooLong = 'signing.too-long';
    case PlaceLeft = 'signing.place-left';
    case PlacesLeft = 'signing.places-left';
    case PaperLeft = 'signing.paper-left';
    case NotSignedHere = 'signing.not-signed-here';
    case NothingAskedFor = 'signing.nothing-asked-for';
    case AskedOnlyOfSigners = 'signing.asked-only-of-signers';
    case TooManyPapersAsked = 'signing.too-many-papers-asked';
    case AskedAsPdf = 'signing.asked-as-pdf';
    case NoSuchPlace = 'signing.no-such-place';
    case SeatEmpty = 'signing.seat-empty';
    case NotAskedByUs = 'signing.not-asked-by-us';
    case NotToCountersign = 'signing.not-to-countersign';
    case NowhereToSign = 'signing.nowhere-to-sign';
    case ChangeByItself = 'signing.change-by-itself';
    case InFileAlready = 'signing.in-file-already';
    case NoSuchPaper = 'signing.no-such-paper';
    case TooManyCopies = 'signing.too-many-copies';
    case NoTimeToSend = 'signing.no-time-to-send';
    case SentAfterLastDay = 'signing.sent-after-last-day';
    case SenderLeft = 'signing.sender-left';
    case NothingMarked = 'signing.nothing-marked';
    case TooLittleText = 'signing.too-little-text';
    case StencilGone = 'signing.stencil-gone';
    case StencilOfAnother = 'signing.stencil-of-another';
    case FormKnowsItsPlaces = 'signing.form-knows-its-places';
    case SignedAlready = 'signing.signed-already';
    case AddressOfColleague = 'signing.address-of-colleague';
    case NotLater = 'signing.not-later';
    case NotEnded = 'signing.not-ended';
    case PapersChanged = 'signing.papers-changed';
    case NothingEntered = 'signing.nothing-entered';
    case NoNumber = 'signing.no-number';
    case NoEmailAddress = 'signing.no-email-address';
    case NoPhoneNumber = 'signing.no-phone-number';
    case NoSuchBox = 'signing.no-such-box';
    case NotChosen = 'signing.not-chosen';
    case NoOtherSide = 'signing.no-other-side';
    case NoAgentNamed = 'signing.no-agent-named';
    case CopyEndsInThePast = 'signing.copy-ends-in-the-past';
    case CopyOpenTooLong = 'signing.copy-open-too-long';
    case NothingCameBack = 'signing.nothing-came-back';
    case NoClientNamed = 'signing.no-client-named';
    case OtherSignedIn = 'signing.other-signed-in';
    case NotTakenBack = 'signing.not-taken-back';
    case FinishedStays = 'signing.finished-stays';
    case AlreadyAnswered = 'signing.already-answered';
    case OnlyBroker = 'signing.only-broker';
    case OnlyColleague = 'signing.only-colleague';
    case CodeWrong = 'signing.code-wrong';
    case CodeLocked = 'signing.code-locked';
    case CodeTooShort = 'signing.code-too-short';
    case NobodyOnPaper = 'signing.nobody-on-paper';
    case ScanOtherPages = 'signing.scan-other-pages';
    case ScanOtherShape = 'signing.scan-other-shape';
    case NothingToPart = 'signing.nothing-to-part';
    case NobodyHere = 'signing.nobody-here';

    /** What the person is told. */
    public function words(): string
    {
        return match ($this) {
            self::AlreadyOut => 'This round has been sent. Recall it to change it.',
            self::LastDayPassed => 'The last day to sign is in the past.',
            self::PaperNotOpen => '“{title}” is {state} and cannot go out for signature.',
            self::NoPapers => 'Select at least one paper to send for signature.',
            self::DealEnded => 'This deal has ended. There is nothing left to sign.',
            self::NotTheirTurn => '{name} is not asked to sign right now.',
            self::NotSealedYet => 'The sealed set is not ready yet.',
            self::NothingToSeal => 'There is nothing to seal.',
            self::NotAdopted => 'Choose how your signature looks first.',
            self::NothingDrawn => 'Draw your signature in the field first.',
            self::DrawingUnreadable => 'The drawing could not be read. Clear it and draw again.',
            self::NoPicture => 'Choose a photo or a picture file: JPEG, PNG, WebP or GIF.',
            self::PictureTooLarge => 'That picture is too large. Take it with fewer megapixels, or cut it to the signature.',
            self::PictureUnreadable => 'The picture could not be read. Choose it again.',
            self::NoSignatureSeen => 'No signature can be made out in that picture. Sign on white paper with a dark pen, and take the '.
                'picture from close above, with nothing else in it.',
            self::NoSuchStyle => 'Choose one of the styles shown.',
            self::NotTheirs => 'That place is not yours to sign.',
            self::AdoptedForGood => 'You already signed some places, so your signature stays as it is.',
            self::NotConsented => 'Agree to sign electronically first.',
            self::Finished => 'You are done signing. There is nothing left to do.',
            self::NotYet => 'It is not your turn yet. You will get an email when it is.',
            self::Lapsed => 'The last day to sign these documents has passed.',
            self::Recalled => 'The sender took these documents back.',
            self::Declined => 'This signing has ended: someone declined to sign.',
            self::EveryoneSigned => 'Everyone has signed. There is nothing left to do.',
            self::NotSent => 'This has not been sent yet.',
            self::OnlySigner => 'Only a signer can do that.',
            self::RoundEnded => 'This round is {status}. It can no longer change.',
            self::NobodyAsked => 'No one is asked to sign in this round.',
            self::SentTwice => 'This round was already sent.',
            self::OnlySender => 'Only the sender of the round can do that.',
            self::NotAsked => 'You are not asked to sign this.',
            self::RoundHasFaults => '{faults}',
            self::NoName => 'Enter your name and your initials first.',
            self::TooLong => 'That is longer than {most} characters.',
            self::PlaceLeft => '1 place is left to sign.',
            self::PlacesLeft => '{count} places are left to sign.',
            self::PaperLeft => '“{title}” is still to be added.',
            self::NotSignedHere => '“{title}” was not signed here electronically. Prepare an amendment instead.',
            self::NothingAskedFor => 'Say which paper you ask for.',
            self::AskedOnlyOfSigners => 'Only someone who signs in this round can be asked for a paper.',
            self::TooManyPapersAsked => 'At most {most} papers can be asked of one person.',
            self::AskedAsPdf => 'Add it as a PDF or a photo. A Word document can be saved as PDF first.',
            self::NoSuchPlace => 'That is not a place to sign on this page. Nothing was changed.',
            self::SeatEmpty => 'There is no {seat} in this file. Add the person to the file first.',
            self::NotAskedByUs => 'You cannot ask the {seat} to sign. Their own agent does that.',
            self::NotToCountersign => '“{title}” is not here to be signed. Wait until it has come in, or its round is over.',
            self::NowhereToSign => 'Pin the place on “{title}” where you sign first.',
            self::ChangeByItself => 'Send “{title}” in a round of its own: someone signed it who is not in this one.',
            self::InFileAlready => '{name} is in the file already.',
            self::NoSuchPaper => 'That paper or page is not in this round. Nothing was changed.',
            self::TooManyCopies => 'Copies go to {most} people at most.',
            self::NoTimeToSend => 'Choose a time within the next 90 days.',
            self::SentAfterLastDay => 'It would go out after its last day to sign, {day}.',
            self::SenderLeft => '{name} no longer works here. Someone else has to send it.',
            self::NothingMarked => 'There is no place to sign on this paper yet. Place some first.',
            self::TooLittleText => 'There is too little print on this paper to know it again. Its places are kept in this round only.',
            self::StencilGone => 'That stencil no longer fits this paper, or was archived. Choose another, or none.',
            self::StencilOfAnother => 'The stencil “{name}” is someone else’s. Choose another name.',
            self::FormKnowsItsPlaces => 'A form of the library knows its places itself. There is nothing to keep.',
            self::SignedAlready => '{name} has signed already. Their address in the file is not changed by this.',
            self::AddressOfColleague => '{name} works here. Their letters go to the address of their own account.',
            self::NotLater => 'Choose a day after {day}, the last day that holds now.',
            self::NotEnded => 'This round has not ended, or everyone has signed. There is nothing to start again.',
            self::PapersChanged => 'The papers of this round changed meanwhile. Reload the page and put them in order again.',
            self::NothingEntered => 'Type your answer first.',
            self::NoNumber => '“{typed}” is not a number. Enter it like 12 or 1,250.5.',
            self::NoEmailAddress => '“{typed}” is not an email address.',
            self::NoPhoneNumber => '“{typed}” is not a phone number. Enter it with its area code.',
            self::NoSuchBox => 'That check box is no longer in this round. Choose another, or none.',
            self::NotChosen => 'Check the box that this place belongs to first.',
            self::FinishedStays => 'They have finished signing. Recall the round to have someone else sign.',
            self::AlreadyAnswered => 'That question was answered already. Reload the page to see how.',
            self::OnlyBroker => 'Only a broker of this office can sign in the broker’s place.',
            self::OnlyColleague => 'In this place someone who works here signs. Choose the address of a colleague’s account.',
            self::CodeWrong => 'That is not the code. Ask {name} for it. Tries left: {left}.',
            self::CodeLocked => 'There were too many wrong codes. {name} has been told and will give you a new one.',
            self::CodeTooShort => 'Choose a code of 4 to 12 letters and digits.',
            self::NobodyOnPaper => 'Say who signed on paper.',
            self::ScanOtherPages => 'The scan has {scan} pages, and this round has {papers}. Scan all pages in order, also those '.
                'without signatures. Nothing was changed.',
            self::ScanOtherShape => 'Page {page} of the scan is shaped differently from the page that was sent. Turn it or scan it again. '.
                'Nothing was changed.',
            self::NothingToPart => 'All papers of this round belong together. There is nothing to part.',
            self::NobodyHere => 'No one can sign here right now: it is not the turn of anyone you may ask.',
            self::NoOtherSide => 'A working copy is for the agent of the other side. In this file there is none from outside.',
            self::NoAgentNamed => 'Enter the name of the agent who will work on it.',
            self::CopyEndsInThePast => 'The last day, {day}, has passed.',
            self::CopyOpenTooLong => 'A working copy can stay open for 180 days at most.',
            self::NothingCameBack => 'Nothing has come back on this paper, or it was taken already. Reload the page.',
            self::NoClientNamed => 'Enter the name of at least one client who will sign.',
            self::OtherSignedIn => '{name} is signed in to Unanimus in this browser. Sign out first, or open the link in a private window.',
            self::NotTakenBack => 'A signature stays once it is made. To change your mind, decline or ask the sender.',
        };
    }
}
