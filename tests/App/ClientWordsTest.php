<?php

declare(strict_types=1);

use App\Terms\ChooseLanguage;
use App\Terms\ClientWords;
use Unanimus\Parties\Language;

it('has Spanish for what an upload may be refused for, and general words where it has none', function () {
    $spanish = (array) json_decode((string) file_get_contents(lang_path('es.json')), true, flags: JSON_THROW_ON_ERROR);
    $said = '';
    foreach (['core/Intake/Converter.php', 'core/Intake/Photos.php', 'core/Pages/PdfRefused.php'] as $file) {
        $said .= file_get_contents(base_path($file));
    }
    // What is translated is said somewhere, word for word: a sentence that changed is noticed here.
    $plain = (string) preg_replace("/'\\s*\\.\\s*'/", '', $said);
    foreach ($spanish as $english => $words) {
        expect(str_contains($plain, $english))->toBeTrue($english)->and($words)->not->toBe($english);
    }
    ChooseLanguage::speaking(Language::Spanish, function (): void {
        expect(ClientWords::of('This PDF has no pages.', 'client.bring.refused'))->toBe('Este PDF no tiene páginas.')
            ->and(ClientWords::of('This picture has 3 × 4 points.', 'client.bring.refused'))
            ->toBe('Este archivo no se puede usar. Envíe un PDF o una foto.');
    });
    expect(ClientWords::of('This picture has 3 × 4 points.', 'client.bring.refused'))->toBe('This picture has 3 × 4 points.');
});
