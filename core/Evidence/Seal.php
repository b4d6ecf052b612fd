<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

use Unanimus\Pages\EditLost;
use Unanimus\Pages\PdfEdit;
use Unanimus\Pages\PdfFields;
use Unanimus\Pages\PdfLook;
use Unanimus\Pages\Scratch;

/**
 * Seals a PDF so that any change to it shows anywhere.
 *
 * @link https://www.iso.org/standard/63534.html ISO 32000-1, 12.8 digital signatures; 12.8.2.2 DocMDP
 * @link https://www.etsi.org/deliver/etsi_en/319100_319199/31914201/ ETSI EN 319 142-1, PAdES baseline B-T, and B-LT where what vouches for
 *     it is at hand
 */
final class Seal
{
    private const ROOM = 16_384;

    /** @param  string  $signer the name shown as the one who sealed */
    public function __construct(
        private readonly SigningKey $key,
        private readonly TimeStamps $stamps,
        private readonly string $signer,
        private readonly ?Vouchers $vouchers = null,
    ) {
    }

    /**
     * The sealed PDF: the whole of it under one signature that allows no changes, with a time stamp.
     *
     * @throws SealBroken when it cannot be made
     * @throws EditLost when the place of the seal did not arrive in the file
     * @throws StampUnavailable when no time stamp can be had
     */
    public function over(string $pdf, \DateTimeImmutable $at): string
    {
        $scratch = new Scratch();
        $path = $scratch->put('in.pdf', $pdf);
        $edit = PdfEdit::of($path);
        $marker = bin2hex(random_bytes(self::ROOM));
        $numbers = array_map(static fn () => random_int(1_000_000_000, 9_999_999_999), range(1, 3));
        $this->place($edit, $marker, $numbers, $at);
        $written = $edit->write(
            [],
            static fn (PdfLook $written) => count(PdfFields::of($written)->signed()) === 1 ? null : 'the place of the seal',
            packed: false,
        );

        return $this->patch($written, $marker, $numbers);
    }

    /** @param  list<int>  $numbers */
    private function place(PdfEdit $edit, string $marker, array $numbers, \DateTimeImmutable $at): void
    {
        [$rootName, $root] = $edit->look->catalog();
        $page = $edit->look->pageObject(1);
        $signature = $edit->add(
            (object) [
                '/Type' => '/Sig',
                '/Filter' => '/Adobe.PPKLite',
                '/SubFilter' => '/ETSI.CAdES.detached',
                '/Contents' => 'b:'.$marker,
                '/ByteRange' => [0, ...$numbers],
                '/Name' => 'u:'.$this->signer,
                '/Reason' => 'u:Everyone has signed',
                '/M' => 'u:D:'.$at->setTimezone(new \DateTimeZone('UTC'))->format('YmdHis')."+00'00'",
                '/Reference' => [
                    (object) [
                        '/Type' => '/SigRef',
                        '/TransformMethod' => '/DocMDP',
                        '/TransformParams' => (object) ['/Type' => '/TransformParams', '/P' => 1, '/V' => '/1.2'],
                    ],
                ],
            ],
        );
        $field = $edit->add(
            (object) [
                '/Type' => '/Annot',
                '/Subtype' => '/Widget',
                '/FT' => '/Sig',
                '/T' => 'u:seal',
                '/F' => 132,
                '/Rect' => [0, 0, 0, 0],
                '/P' => $page,
                '/V' => $signature,
            ],
        );
        $edit->put(
            $rootName,
            (object) [
                ...(array) $root,
                '/AcroForm' => (object) ['/Fields' => [$field], '/SigFlags' => 3],
                '/Perms' => (object) ['/DocMDP' => $signature],
                ...$this->store($edit),
            ],
        );
        $first = $edit->look->pageDictionary(1);
        $edit->put($page, (object) [...(array) $first, '/Annots' => [...(array) $edit->look->resolve($first->{'/Annots'} ?? []), $field]]);
    }

    /** @return array<string, object> what vouches for the seal, as the catalog names it (ISO 32000-2, 12.8.4.3) */
    private function store(PdfEdit $edit): array
    {
        if ($this->vouchers === null || $this->vouchers->isEmpty()) {
            return [];
        }
        $put = static fn (array $all): array => array_map(static fn (string $der) => $edit->addStream([], $der), $all);
        $certificates = [$this->key->certificate, ...$this->key->chain, ...$this->vouchers->certificates];

        return [
            '/DSS' => (object) array_filter([
                '/Type' => '/DSS',
                '/Certs' => $put(array_values(array_unique($certificates))),
                '/CRLs' => $put($this->vouchers->revoked),
            ]),
        ];
    }

    /** @param  list<int>  $numbers */
    private function patch(string $pdf, string $marker, array $numbers): string
    {
        $gap = $this->once($pdf, "<{$marker}>");
        $start = strlen($marker) + 2;
        $range = [$gap, $gap + $start, strlen($pdf) - $gap - $start];
        foreach ($numbers as $index => $number) {
            $place = $this->once($pdf, (string) $number);
            $pdf = substr_replace($pdf, str_pad((string) $range[$index], 10), $place, 10);
        }
        $context = hash_init('sha256');
        hash_update($context, substr($pdf, 0, $range[0]));
        hash_update($context, substr($pdf, $range[1]));
        $cms = bin2hex(Cms::seal(hash_final($context, true), $this->key, $this->stamps));
        if (strlen($cms) > strlen($marker)) {
            throw SealBroken::notMade('the signature is larger than its place');
        }

        return substr_replace($pdf, str_pad($cms, strlen($marker), '0'), $gap + 1, strlen($marker));
    }

    private function once(string $pdf, string $needle): int
    {
        $place = strpos($pdf, $needle);
        if ($place === false || strpos($pdf, $needle, $place + 1) !== false) {
            throw SealBroken::notMade('its place in the file is not certain');
        }

        return $place;
    }
}
