<?php

declare(strict_types=1);

/* Lo que se le dice a quien firma cuando algo no se puede. Lo demás lo leen personas de la oficina, en inglés. */
return [
    'signing' => [
        'deal-ended' => 'Este negocio terminó. Ya no hay nada que firmar.',
        'not-adopted' => 'Elija primero cómo se ve su firma.',
        'nothing-drawn' => 'Dibuje primero su firma en el espacio.',
        'paper-left' => 'Falta agregar «:title».',
        'asked-as-pdf' => 'Agréguelo como PDF o foto. Un documento de Word se puede guardar antes como PDF.',
        'no-picture' => 'Elija una foto o una imagen: JPEG, PNG, WebP o GIF.',
        'picture-too-large' => 'Esa imagen es demasiado grande. Tómela con menos megapíxeles o recórtela a la firma.',
        'picture-unreadable' => 'No se pudo leer la imagen. Elíjala otra vez.',
        'no-signature-seen' => 'No se distingue una firma en esa imagen. Firme en papel blanco con tinta '.
            'oscura y tome la foto de cerca, desde arriba, sin nada más en ella.',
        'drawing-unreadable' => 'No se pudo leer el dibujo. Bórrelo y dibuje otra vez.',
        'no-such-style' => 'Elija uno de los estilos que se muestran.',
        'not-theirs' => 'Ese lugar no es para su firma.',
        'adopted-for-good' => 'Ya firmó en algunos lugares; su firma se queda como está.',
        'not-consented' => 'Acepte primero firmar electrónicamente.',
        'finished' => 'Ya terminó de firmar. No queda nada por hacer.',
        'not-yet' => 'Todavía no es su turno. Recibirá un correo cuando lo sea.',
        'lapsed' => 'Pasó el último día para firmar estos documentos.',
        'recalled' => 'Quien envió estos documentos los retiró.',
        'declined' => 'Esta firma terminó: alguien no quiso firmar.',
        'everyone-signed' => 'Todos han firmado. No queda nada por hacer.',
        'no-name' => 'Escriba primero su nombre y sus iniciales.',
        'too-long' => 'Eso tiene más de :most letras.',
        'place-left' => 'Falta 1 lugar por firmar.',
        'places-left' => 'Faltan :count lugares por firmar.',
        'nothing-entered' => 'Escriba primero su respuesta.',
        'no-number' => '“:typed” no es un número. Escríbalo como 12 o 1,250.5.',
        'no-email-address' => '“:typed” no es una dirección de correo.',
        'no-phone-number' => '“:typed” no es un número de teléfono. Escríbalo con su código de área.',
        'not-chosen' => 'Marque primero la casilla de la que depende este lugar.',
        'code-wrong' => 'Ese no es el código. Pídaselo a :name. Intentos que quedan: :left.',
        'code-locked' => 'Hubo demasiados códigos equivocados. :name ya lo sabe y le dará uno nuevo.',
        'not-taken-back' => 'Una firma hecha se queda. Para cambiar de opinión, no termine y pregunte a quien envió los documentos.',
    ],
    'fill' => [
        'not-their-blank' => 'Esto no le toca a usted.',
        'link-ended' => 'Este enlace ya no sirve. Lo que escribió está guardado. Pida otro enlace para seguir.',
        'answer-missing' => 'Falta una respuesta: :labels',
        'answers-missing' => 'Faltan :count respuestas: :labels',
    ],
];
