<?php

declare(strict_types=1);

/* Los correos que reciben los clientes. Los demás están solo en inglés y se toman de allí. */
$answer = 'Sus respuestas se guardan a medida que avanza. Puede parar y volver con el mismo botón, en cualquier aparato.';
$yours = 'Este enlace es solo para usted. Por favor, no reenvíe este correo.';
$steps = 'Cómo se firma, paso a paso: '.rtrim((string) config('app.url'), '/').'/how-signing-works?language=es';

return [
    'client_page' => [
        'subject' => 'Su página de :file',
        'body' => ":sender hizo una página para usted sobre :file: lo que le pedimos, qué viene y cuándo, y lo que firmó.\n\n".
            'Este enlace es solo para usted. No reenvíe este correo.',
        'label' => 'Abrir su página',
    ],
    'handover' => [
        'subject' => ':file: ahora soy su contacto',
        'body' => "Hola, {to.first}:\n\n:from ya no trabaja aquí. Ahora soy su contacto para :file. Nada más cambia: las fechas, los ".
            "documentos y las firmas siguen como están.\n\nLlámeme o escríbame si tiene alguna pregunta.",
    ],
    'message' => [
        'read' => 'Leer los documentos',
        'no_more' => 'Este mensaje se envió automáticamente. Para no recibir más como este: ',
        'no_more_button' => 'no recibir más',
    ],
    'invite' => [
        'subject' => 'Por favor, firme: :round',
        'body' => '{1} :sender le pide que firme un documento para :file. :until'."\n\n:attached\n\n:message\n\n".
            'El botón abre el documento. '.$yours.
            '|[2,*] :sender le pide que firme :count documentos para :file. :until'."\n\n:attached\n\n:message\n\n".'El botón abre los '.
                'documentos. '.$yours,
        'label' => 'Revisar y firmar',
        'closing' => $steps,
        'attached' => 'Las páginas van adjuntas, para leerlas antes.',
        'until' => 'Por favor, firme antes del :day.',
    ],
    'remind' => [
        'subject' => 'Falta su firma: :round',
        'body' => ':sender espera su firma en los documentos para :file. Puede seguir donde se quedó.',
        'label' => 'Continuar',
    ],
    'answer' => [
        'subject' => 'Respuesta sobre :round',
        'body' => "Usted preguntó:\n\n:question\n\n:sender responde:\n\n:answer",
        'label' => 'Abrir los documentos',
    ],
    'ended' => [
        'how' => [
            'declined' => 'no siguió porque alguien no quiso firmar',
            'recalled' => 'se retiró',
            'expired' => 'llegó a su último día',
        ],
        'signer' => [
            'subject' => 'No hay nada más que firmar: :round',
            'body' => 'La firma para :file :how. Usted no tiene que hacer nada. :sender se pondrá en contacto.',
            'label' => '',
        ],
    ],
    'finished' => [
        'signer' => [
            'subject' => 'Firmado por todos: :round',
            'body' => 'Todos firmaron los documentos para :file. Van adjuntos: :pages páginas, con un registro de cómo se firmaron. '.
                'Guarde este correo.',
            'label' => 'Verlo en línea',
            'attachment' => 'Documentos firmados.pdf',
        ],
    ],
    'fill' => [
        'subject' => 'Por favor, complete: :papers',
        'body' => ":asker le pide que complete su parte de :papers para :file, antes del :day.\n\n:message\n\n{$answer} {$yours}",
        'label' => 'Completar',
    ],
    'bring' => [
        'subject' => 'Documentos que faltan: :file',
        'body' => ":sender le pide estos documentos para :file:\n\n:papers\n\nEnvíelos por este enlace hasta el :day, como PDF o ".
            "fotos. No necesita una cuenta.\n\n:message\n\nEste enlace es solo para usted.",
        'label' => 'Enviar los documentos',
    ],
    'bring_again' => [
        'subject' => 'Todavía faltan: :file',
        'body' => ":sender todavía necesita de usted para :file:\n\n:papers\n\nEnvíelos por este enlace hasta el :day, como PDF o ".
            "fotos.\n\nEste enlace es solo para usted.",
        'label' => 'Enviar los documentos',
    ],
    'read' => [
        'subject' => 'Documentos para leer: :file',
        'body' => ":sender comparte con usted documentos de :file: :pages páginas, hasta el :day.\n\n:message\n\nEste enlace es solo ".
            'para usted. Anotamos cuándo se abre.',
        'label' => 'Leer los documentos',
        'executed' => 'Estos documentos están firmados por todos. Guarde una copia.',
    ],
];
