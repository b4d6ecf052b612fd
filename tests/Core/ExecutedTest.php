<?php

declare(strict_types=1);

use Unanimus\Files\Executed;
use Unanimus\Files\PaperState;
use Unanimus\Parties\Side;

it('is executed when it was signed here, or its scan was accepted', function (
    PaperState $state,
    bool $scan,
    bool $accepted,
    bool $signs,
    bool $is,
) {
    expect(Executed::is($state, $scan, $accepted, $signs))->toBe($is);
})->with([
    [PaperState::Signed, false, false, true, true],
    [PaperState::Signed, true, false, true, false],
    [PaperState::Signed, true, true, true, true],
    [PaperState::Ready, true, true, true, true],
    [PaperState::Ready, true, false, true, false],
    [PaperState::Ready, true, true, false, false],
    [PaperState::Ready, false, true, true, false],
    [PaperState::Out, true, true, true, false],
    [PaperState::Void, true, true, true, false],
]);

it('is owed to our clients who sign it, and for the others to their agent', function (array $signs, array $own, array $owed) {
    expect(Executed::owedTo($signs, $own))->toBe($owed);
})->with([
    [['buyer.1', 'buyer.2', 'agent.1'], [Side::Buyer], ['buyer.1', 'buyer.2']],
    [['buyer.1', 'seller.1', 'seller.2'], [Side::Buyer], ['buyer.1', 'coagent.1']],
    [['buyer.1', 'seller.1'], [Side::Buyer, Side::Seller], ['buyer.1', 'seller.1']],
    [['tenant.1', 'landlord.1'], [Side::Landlord], ['coagent.1', 'landlord.1']],
    [['agent.1', 'broker.1', 'escrow.1', 'signer.1'], [Side::Buyer], []],
    [[], [Side::Buyer], []],
]);

it('is signed by all when every client in the file who has a place on it has signed', function (
    array $places,
    array $signed,
    array $taken,
    bool $all,
) {
    expect(Executed::isByAll($places, $signed, $taken))->toBe($all);
})->with([
    [['buyer.1', 'seller.1'], ['buyer.1'], ['buyer.1', 'seller.1'], false],
    [['buyer.1', 'seller.1'], ['buyer.1', 'seller.1'], ['buyer.1', 'seller.1'], true],
    [['buyer.1', 'buyer.2'], ['buyer.1'], ['buyer.1'], true],
    [['buyer.1', 'agent.1', 'broker.1'], ['buyer.1'], ['buyer.1', 'agent.1', 'broker.1'], true],
]);
