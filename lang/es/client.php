<?php

declare(strict_types=1);

/* Las páginas que los clientes ven por un enlace: frases cortas, palabras de todos los días, una cosa a la vez. */
return [
    'from' => 'de :name',
    'page' => 'Página :page',
    'pages' => '{1} 1 página|[2,*] :count páginas',
    'document_page' => ':document, página :page',
    'back' => 'Atrás',
    'continue' => 'Continuar',
    'read_as_text' => 'Leer como texto',
    'back_to_pages' => 'Volver a las páginas',
    'save_pdf' => 'Guardar como PDF',

    'link' => [
        'title' => 'Este enlace no funciona',
        'sign' => 'Quizás falta una parte del enlace. Ábralo otra vez desde su correo. Si todavía no funciona, pida uno nuevo a la '.
            'persona que se lo envió. No se pierde nada de lo que firmó.',
        'fill' => 'Quizás falta una parte del enlace, o recibió uno más nuevo. Abra el enlace de su correo más reciente. Si todavía '.
            'no funciona, pida uno nuevo a la persona que se lo envió. No se pierde nada de lo que escribió.',
        'read' => 'Quizás falta una parte del enlace. Ábralo otra vez desde su correo. Si todavía no funciona, pida uno nuevo a la '.
            'persona que se lo envió.',
    ],

    'sign' => [
        'title' => 'Documentos para firmar',
        'hello' => 'Hola, :name',
        'asks' => '{1} :sender le pide que firme un documento para :file.|[2,*] :sender le pide que firme :count documentos para :file.',
        'takes' => 'Le tomará unos :minutes.',
        'minutes' => '{1} 1 minuto|[2,*] :count minutos',
        'before' => 'Antes de empezar.',
        'terms' => 'Firmar aquí vale lo mismo que firmar en papel. Puede parar en cualquier momento y volver con el mismo enlace. Puede '.
            'pedir copias en papel sin costo. Puede cambiar de opinión hasta que toque Terminar. Cuando todos hayan firmado, recibirá '.
            'todos los documentos por correo. Necesita un aparato que abra archivos PDF.',
        'agree' => 'Acepto recibir y firmar estos documentos electrónicamente.',
        'next' => 'Después elige cómo se ve su firma.',

        'how' => 'Elija un estilo de firma',
        'how_more' => 'Elija un estilo o dibuje su firma abajo. La verá en cada página antes de que nada sea definitivo.',
        'name' => 'Su nombre',
        'initials' => 'Sus iniciales',
        'styles' => 'Estilo de firma',
        'style' => 'Estilo :style',
        'draw' => 'O dibújela aquí con el dedo o el ratón:',
        'draw_field' => 'Espacio para dibujar su firma',
        'clear' => 'Borrar el dibujo',
        'use' => 'Usar esta firma',

        'sign_here' => 'firme aquí',
        'initials_here' => 'iniciales',
        'type_here' => 'escriba aquí',
        'check_here' => 'casilla',
        'optional' => ', opcional',
        'done' => ', hecho',
        'left' => '{0} Todo firmado|{1} Falta 1 lugar|[2,*] Faltan :count lugares',
        'larger' => 'Páginas más grandes',
        'start' => 'Empezar',
        'skip' => 'Dejarlo vacío',
        'download' => 'Descargar para leer antes',
        'language' => 'Idioma',
        'must_agree' => 'Marque la casilla si acepta firmar electrónicamente. Si quiere firmar en papel, pídalo abajo.',
        'why_first' => 'Dé una razón breve para que los demás la sepan.',
        'question_first' => 'Escriba primero su pregunta.',
        'name_first' => 'Escriba primero su nombre y sus iniciales.',
        'drawing_large' => 'Ese dibujo es demasiado grande. Bórrelo y dibuje otra vez.',

        'ask_title' => '¿No está seguro de firmar?',
        'question' => 'Su pregunta para :name',
        'ask' => 'Enviar la pregunta',
        'decline_why' => 'Por qué no quiere firmar. Esto termina la firma para todos.',
        'decline' => 'No quiero firmar',
        'asked' => 'Su pregunta va en camino a :name.',

        // Lo que dice la página mientras se firma
        'script' => [
            'done' => 'Todo firmado', 'one' => 'Falta 1 lugar', 'many' => 'Faltan :count lugares', 'finish' => 'Terminar',
            'start' => 'Empezar', 'next' => 'Siguiente lugar', 'sign' => 'Firmar aquí', 'initial' => 'Poner iniciales', 'made' => 'hecho',
            'save' => 'Guardar', 'check' => 'Marcar esta casilla', 'uncheck' => 'Quitar la marca', 'answer' => 'Su respuesta',
            'old' => 'Esta página estuvo abierta demasiado tiempo. Vuelva a cargarla. Todo lo que firmó está guardado.', 'failed' => 'No '.
                'funcionó. Inténtelo otra vez.', 'offline' => 'No hay conexión. Lo que firmó hasta ahora está guardado. Inténtelo en un '.
                'momento.',
        ],

        'text_intro' => 'El texto del documento, para leerlo o escucharlo.',
        'text_back' => 'Volver a firmar',
    ],

    'proof' => [
        'title' => '¿Es auténtico este archivo?',
        'how' => 'Elija un PDF firmado. Le decimos si se selló aquí y si después se cambió algo. No lo guardamos.',
        'file' => 'El PDF',
        'check' => 'Comprobarlo',
        'again' => 'Comprobar otro archivo',
        'whole' => 'Completo y sin cambios',
        'whole_more' => 'Este archivo se selló aquí para :brokerage el :when. Desde entonces no cambió ni un byte.',
        'signed' => 'Firmado por :signers.',
        'sealed' => 'Sellado aquí, sin cambios',
        'sealed_more' => 'El sello es nuestro y cubre todo el archivo. Se selló el :when. No es el juego completo como lo archivamos.',
        'other' => 'No se selló aquí',
        'other_more' => 'El archivo lleva una firma digital válida, pero no es la nuestra. Pregunte a quien lo firmó.',
        'added' => 'Se añadió algo',
        'added_more' => 'El archivo se selló aquí, pero después se le añadió algo. No confíe en él. Pida el original.',
        'changed' => 'Cambiado o dañado',
        'changed_more' => 'El sello de este archivo no es válido: algo se cambió después de la firma, o el archivo se dañó en el camino. '.
            'No confíe en él. Pida el original.',
        'none' => 'Sin sello',
        'none_more' => 'Este archivo no tiene sello. Una copia escaneada, una impresión a PDF o una parte del juego lo pierden. Pida el '.
            'original.',
        'no_pdf' => 'No podemos leer este PDF. Elija el PDF como lo recibió.',
        'required' => 'Elija primero un PDF.',
        'large' => 'Ese archivo pesa más de :most MB. Los juegos sellados pesan menos.',
    ],

    'here' => [
        'title' => 'Firme aquí',
        'hand' => 'Entregue este aparato a :name',
        'for' => 'Documentos de :file',
        'done' => 'Nadie más puede firmar aquí ahora.',
        'back' => 'Devolver el aparato',
        'owner' => ':name, escriba su contraseña para volver a usar este aparato',
        'password' => 'Contraseña',
        'take' => 'Recuperar el aparato',
    ],
    'code' => [
        'title' => 'Escriba su código',
        'more' => ':name le dio un código, o le llamará para dárselo.',
        'label' => 'Código',
        'go' => 'Abrir los documentos',
        'first' => 'Escriba primero el código.',
    ],
    'refer' => [
        'summary' => '¿Debería firmar otra persona?',
        'who' => 'Nombre de la persona',
        'email' => 'Su dirección de correo, si la sabe',
        'why' => 'Por qué',
        'send' => 'Avisar a :name',
        'told' => ':name ya lo sabe. Todavía no cambió nada.',
        'first' => 'Escriba el nombre de la persona.',
        'no_address' => 'Esta no es una dirección de correo.',
    ],
    'questions' => [
        'title' => 'Sus preguntas',
        'waits' => ':name todavía no ha respondido.',
        'answer' => ':name responde:',
    ],
    'over' => [
        'sealed' => 'Todos han firmado',
        'sealed_more' => 'Los documentos para :file están completos: :pages páginas, con un registro de cómo se firmaron. Le enviamos '.
            'una copia por correo.',
        'single' => 'Cada documento por separado',
        'single_more' => 'Un banco o la compañía de custodia puede pedir un solo documento. Cada uno está sellado, con su propio registro.',
        'open' => 'Abrir los documentos firmados',
        'ended' => 'Este enlace ya no los muestra. Use la copia de su correo o pida otra a :name.',
        'complete' => 'Todos han firmado',
        'complete_more' => 'Estamos preparando los documentos. En un minuto recibirá una copia por correo.',
        'thanks' => 'Gracias, :name',
        'thanks_more' => 'Ya terminó. Cuando los demás hayan firmado, recibirá todos los documentos por correo. Puede cerrar esta página.',
        'declined' => 'Esta firma ha terminado',
        'declined_more' => 'Alguien no quiso firmar. Usted no tiene que hacer nada. :name se pondrá en contacto.',
        'recalled' => 'Por ahora no hay nada que firmar',
        'recalled_more' => ':name retiró los documentos, quizás para cambiar algo. Recibirá otro correo si hay algo que firmar.',
        'lapsed' => 'Pasó el último día para firmar',
        'lapsed_more' => 'Podía firmar estos documentos hasta el :day. Pida a :name que los envíe otra vez.',
        'waits' => 'Todavía no es su turno',
        'waits_more' => 'Otros firman primero. Recibirá un correo cuando sea su turno.',
    ],

    'fill' => [
        'title' => 'Documentos para llenar',
        'asks' => ':name le pide que llene su parte antes del :day. Sus respuestas se guardan a medida que avanza.',
        'takes' => 'Le tomará unos :minutes.',
        'answered' => 'Respondidas',
        'count' => ':done de :all respondidas',
        'start' => 'Empezar',
        'one_by_one' => 'Verá una pregunta a la vez.',
        'on_page' => ':document: llenar sobre la página',
        'needed' => 'Ver lo que todavía falta',
        'finish' => 'Terminar',
        'later' => 'Puede parar en cualquier momento y volver con el mismo correo, en cualquier aparato.',

        'closed_withdrawn' => 'No hay nada más que llenar',
        'closed_withdrawn_more' => ':name ya no necesita estas respuestas. Lo que escribió está guardado.',
        'closed_passed' => 'Pasó el último día',
        'closed_passed_more' => 'Este enlace funcionó hasta el :day. Lo que escribió está guardado.',
        'another' => 'Pedir un enlace nuevo a :name',

        'done' => 'Gracias. Ya terminó.',
        'done_more' => 'Sus respuestas están en los documentos para :file, y avisamos a :name. No tiene que hacer nada más.',
        'done_wrong' => '¿Hay algo mal? Responda al correo, y :name puede enviarle los documentos otra vez.',

        'saved_as_you_go' => 'Cada respuesta se guarda al salir de ella',
        'left' => 'Faltan :count',
        'next' => 'Siguiente',
        'keep_mine' => 'Dejar la mía',
        'use_theirs' => 'Usar la suya',
        'page_done' => 'Terminé esta página',

        'question' => 'Pregunta :number de :count',
        'which' => '¿Cuál es?',
        'yes' => 'Sí, esto aplica',
        'not_yet' => 'Sin responder todavía',
        'save' => 'Guardar y continuar',
        'stop' => 'Parar por ahora',
        'where' => 'Dónde está en la página :page',
        'see_page' => 'Ver la página',
        'optional' => 'Puede dejarlo vacío.',
        'money' => 'Una cantidad en dólares, como 1,250 o 450k.',
        'percent' => 'Un porcentaje, como 3 o 2.5.',
        'date' => 'Una fecha, como 5/14 (mes/día).',
        'time' => 'Una hora, como 3 pm.',
        'number' => 'Un número.',
    ],

    'read' => [
        'title' => 'Documentos para leer',
        'for' => ':pages para :name, hasta el :day.',
        'text_intro' => 'El texto de los documentos, para leerlo o escucharlo.',
        'closed' => 'Estos documentos ya no están abiertos',
        'closed_more' => ':name cerró esta copia de lectura.',
        'passed' => 'Pasó el último día',
        'passed_more' => 'Podía leer estos documentos hasta el :day.',
        'ask' => 'Pida un enlace nuevo a :name, o escriba a',
    ],

    'picture_page' => 'Esta página es una imagen. No tiene texto para leer en voz alta.',
];
