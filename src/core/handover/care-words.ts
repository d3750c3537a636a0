/** What a care sheet says; braces name what is put in their place. */
export type CareWord =
  | 'title'
  | 'intro'
  | 'where'
  | 'site'
  | 'since'
  | 'ask'
  | 'askThem'
  | 'set'
  | 'host'
  | 'records'
  | 'certificate'
  | 'secrets'
  | 'facts'
  | 'tell'
  | 'beside'
  | 'siteFolder'
  | 'projectFolder'
  | 'gone'
  | 'goneWords'
  | 'fonts'
  | 'licences'
  | 'made'

/** The words of a care sheet by language; from memory of everyday use, as are those that designs say of themselves. */
export const CARE_WORDS: Readonly<Record<string, Readonly<Record<CareWord, string>>>> = {
  en: {
    title: 'Care sheet: {name}',
    intro: 'What your website is made of, where it is, and whom to ask. Keep it together with the files beside it.',
    where: 'Where it is',
    site: 'Your website',
    since: 'Live since {day}',
    ask: 'Whom to ask',
    askThem: '{who} made your website. Ask here for new words, another page, other opening hours.',
    set: 'What was set where',
    host: 'Our web host',
    records: 'Records of the domain {domain}, as they were to be set where it was bought',
    certificate: 'The certificate is renewed by itself; today’s ends on {day}.',
    secrets: 'No password and no key is in here. Keep yours where only you can read them.',
    facts: 'What the site says of you',
    tell: 'Tell whoever cares for the site when one of these changes.',
    beside: 'What lies beside this sheet',
    siteFolder: 'The whole website as plain files. They run on any web host: copy what is in this folder into the public folder there.',
    projectFolder: 'What it takes to go on working on it: words, pictures, template and fonts. Instant Fit reads this zip as it is.',
    gone: 'If we are gone',
    goneWords:
      'Nothing happens. Your website needs neither Instant Fit nor whoever made it: it is plain HTML, styles and pictures. ' +
      'With these files any web designer can move it and change it.',
    fonts: 'Fonts',
    licences: 'Their licences are in {file}.',
    made: 'Made on {day}',
  },
  de: {
    title: 'Pflegeblatt: {name}',
    intro: 'Woraus Ihre Website besteht, wo sie liegt und wen Sie fragen. Heben Sie es mit den Dateien daneben auf.',
    where: 'Wo sie ist',
    site: 'Ihre Website',
    since: 'Online seit {day}',
    ask: 'Wen Sie fragen',
    askThem: '{who} hat Ihre Website gemacht. Fragen Sie hier nach neuen Texten, einer weiteren Seite, anderen Öffnungszeiten.',
    set: 'Was wo eingestellt ist',
    host: 'Unser Webhost',
    records: 'Einträge der Domain {domain}, wie sie dort zu setzen waren, wo sie gekauft wurde',
    certificate: 'Das Zertifikat erneuert sich von selbst; das heutige gilt bis {day}.',
    secrets: 'Hier steht kein Passwort und kein Schlüssel. Bewahren Sie Ihre so auf, dass nur Sie sie lesen können.',
    facts: 'Was die Website von Ihnen sagt',
    tell: 'Sagen Sie es, wenn sich davon etwas ändert, wer auch immer die Website pflegt.',
    beside: 'Was neben diesem Blatt liegt',
    siteFolder:
      'Die ganze Website als einfache Dateien. Sie laufen auf jedem Webhost: Kopieren Sie den Inhalt dieses Ordners dort in ' +
      'den öffentlichen Ordner.',
    projectFolder:
      'Was es braucht, um daran weiterzuarbeiten: Texte, Bilder, Vorlage und Schriften. Instant Fit liest diese Zip-Datei, wie ' +
      'sie ist.',
    gone: 'Falls es uns nicht mehr gibt',
    goneWords:
      'Es passiert nichts. Ihre Website braucht weder Instant Fit noch die, die sie gemacht haben: Sie besteht aus einfachem ' +
      'HTML, Stilen und Bildern. Mit diesen Dateien kann jede Webdesignerin und jeder Webdesigner sie umziehen und ändern.',
    fonts: 'Schriften',
    licences: 'Ihre Lizenzen stehen in {file}.',
    made: 'Erstellt am {day}',
  },
  fr: {
    title: 'Fiche d’entretien : {name}',
    intro: 'De quoi votre site est fait, où il se trouve et à qui s’adresser. Gardez-la avec les fichiers qui l’accompagnent.',
    where: 'Où il se trouve',
    site: 'Votre site',
    since: 'En ligne depuis le {day}',
    ask: 'À qui s’adresser',
    askThem: '{who} a fait votre site. Écrivez ici pour de nouveaux textes, une page de plus, d’autres horaires.',
    set: 'Ce qui a été réglé, et où',
    host: 'Notre hébergeur',
    records: 'Enregistrements du domaine {domain}, tels qu’ils devaient être posés là où il a été acheté',
    certificate: 'Le certificat se renouvelle de lui-même ; celui d’aujourd’hui expire le {day}.',
    secrets: 'Aucun mot de passe ni aucune clé ne figure ici. Gardez les vôtres là où vous seul pouvez les lire.',
    facts: 'Ce que le site dit de vous',
    tell: 'Prévenez la personne qui s’occupe du site quand l’un de ces points change.',
    beside: 'Ce qui accompagne cette fiche',
    siteFolder:
      'Tout le site en simples fichiers. Ils fonctionnent chez n’importe quel hébergeur : copiez le contenu de ce dossier dans ' +
      'le dossier public.',
    projectFolder: 'De quoi continuer à y travailler : textes, images, modèle et polices. Instant Fit lit ce zip tel quel.',
    gone: 'Si nous disparaissons',
    goneWords:
      'Il ne se passe rien. Votre site n’a besoin ni d’Instant Fit ni de la personne qui l’a fait : c’est du HTML simple, des ' +
      'styles et des images. Avec ces fichiers, tout webdesigner peut le déplacer et le modifier.',
    fonts: 'Polices',
    licences: 'Leurs licences se trouvent dans {file}.',
    made: 'Établie le {day}',
  },
  es: {
    title: 'Ficha de cuidado: {name}',
    intro: 'De qué está hecho su sitio web, dónde está y a quién preguntar. Guárdela junto con los archivos que la acompañan.',
    where: 'Dónde está',
    site: 'Su sitio web',
    since: 'En línea desde el {day}',
    ask: 'A quién preguntar',
    askThem: '{who} hizo su sitio web. Pregunte aquí por textos nuevos, otra página u otros horarios.',
    set: 'Qué se configuró y dónde',
    host: 'Nuestro servidor web',
    records: 'Registros del dominio {domain}, tal como debían ponerse donde se compró',
    certificate: 'El certificado se renueva solo; el de hoy vence el {day}.',
    secrets: 'Aquí no hay ninguna contraseña ni clave. Guarde las suyas donde solo usted pueda leerlas.',
    facts: 'Lo que el sitio dice de usted',
    tell: 'Avise a quien cuide el sitio cuando algo de esto cambie.',
    beside: 'Qué acompaña a esta ficha',
    siteFolder:
      'Todo el sitio en archivos sencillos. Funcionan en cualquier servidor: copie el contenido de esta carpeta en la carpeta ' +
      'pública.',
    projectFolder:
      'Lo necesario para seguir trabajando en él: textos, imágenes, plantilla y fuentes. Instant Fit lee este zip tal como está.',
    gone: 'Si dejamos de existir',
    goneWords:
      'No pasa nada. Su sitio no necesita ni Instant Fit ni a quien lo hizo: es HTML sencillo, estilos e imágenes. Con estos ' +
      'archivos cualquier diseñador web puede trasladarlo y cambiarlo.',
    fonts: 'Fuentes',
    licences: 'Sus licencias están en {file}.',
    made: 'Hecha el {day}',
  },
  it: {
    title: 'Scheda di cura: {name}',
    intro: 'Di che cosa è fatto il vostro sito, dove si trova e a chi rivolgersi. Conservatela insieme ai file che l’accompagnano.',
    where: 'Dove si trova',
    site: 'Il vostro sito',
    since: 'In linea dal {day}',
    ask: 'A chi rivolgersi',
    askThem: '{who} ha realizzato il vostro sito. Chiedete qui per nuovi testi, un’altra pagina, altri orari.',
    set: 'Che cosa è impostato e dove',
    host: 'Il nostro host',
    records: 'Record del dominio {domain}, come andavano impostati dove è stato acquistato',
    certificate: 'Il certificato si rinnova da solo; quello attuale scade il {day}.',
    secrets: 'Qui non c’è nessuna password e nessuna chiave. Conservate le vostre dove solo voi potete leggerle.',
    facts: 'Che cosa dice di voi il sito',
    tell: 'Avvisate chi cura il sito quando qualcosa di questo cambia.',
    beside: 'Che cosa accompagna questa scheda',
    siteFolder:
      'L’intero sito in semplici file. Funzionano su qualsiasi host: copiate il contenuto di questa cartella nella cartella pubblica.',
    projectFolder:
      'Quello che serve per continuare a lavorarci: testi, immagini, modello e caratteri. Instant Fit legge questo zip così com’è.',
    gone: 'Se non ci fossimo più',
    goneWords:
      'Non succede nulla. Il vostro sito non ha bisogno né di Instant Fit né di chi l’ha realizzato: è semplice HTML, stili e ' +
      'immagini. Con questi file qualunque web designer può spostarlo e modificarlo.',
    fonts: 'Caratteri',
    licences: 'Le licenze sono in {file}.',
    made: 'Redatta il {day}',
  },
  nl: {
    title: 'Onderhoudsblad: {name}',
    intro: 'Waar uw website uit bestaat, waar ze staat en wie u kunt vragen. Bewaar het samen met de bestanden ernaast.',
    where: 'Waar ze staat',
    site: 'Uw website',
    since: 'Online sinds {day}',
    ask: 'Wie u kunt vragen',
    askThem: '{who} heeft uw website gemaakt. Vraag hier om nieuwe teksten, nog een pagina, andere openingstijden.',
    set: 'Wat waar is ingesteld',
    host: 'Onze webhost',
    records: 'Records van het domein {domain}, zoals ze gezet moesten worden waar het is gekocht',
    certificate: 'Het certificaat vernieuwt zichzelf; dat van vandaag loopt tot {day}.',
    secrets: 'Hier staat geen wachtwoord en geen sleutel in. Bewaar de uwe waar alleen u ze kunt lezen.',
    facts: 'Wat de site over u zegt',
    tell: 'Laat het weten aan wie de site onderhoudt als er iets van verandert.',
    beside: 'Wat er naast dit blad ligt',
    siteFolder:
      'De hele website als gewone bestanden. Ze werken bij elke webhost: kopieer de inhoud van deze map naar de openbare map daar.',
    projectFolder:
      'Wat nodig is om eraan verder te werken: teksten, beelden, sjabloon en lettertypen. Instant Fit leest deze zip zoals hij is.',
    gone: 'Als wij er niet meer zijn',
    goneWords:
      'Er gebeurt niets. Uw website heeft Instant Fit niet nodig en ook niet wie haar maakte: het is gewone HTML, stijlen en ' +
      'beelden. Met deze bestanden kan elke webdesigner haar verhuizen en veranderen.',
    fonts: 'Lettertypen',
    licences: 'De licenties staan in {file}.',
    made: 'Gemaakt op {day}',
  },
  pl: {
    title: 'Karta opieki: {name}',
    intro: 'Z czego składa się Państwa strona, gdzie się znajduje i kogo pytać. Proszę przechowywać ją razem z plikami obok.',
    where: 'Gdzie się znajduje',
    site: 'Państwa strona',
    since: 'W sieci od {day}',
    ask: 'Kogo pytać',
    askThem: 'Stronę wykonał(a) {who}. Tu można prosić o nowe teksty, kolejną podstronę, inne godziny otwarcia.',
    set: 'Co i gdzie ustawiono',
    host: 'Nasz hosting',
    records: 'Rekordy domeny {domain}, tak jak należało je ustawić tam, gdzie ją kupiono',
    certificate: 'Certyfikat odnawia się sam; obecny wygasa {day}.',
    secrets: 'Nie ma tu żadnego hasła ani klucza. Proszę trzymać swoje tam, gdzie nikt inny ich nie przeczyta.',
    facts: 'Co strona o Państwu mówi',
    tell: 'Gdy coś z tego się zmieni, proszę powiedzieć osobie, która opiekuje się stroną.',
    beside: 'Co leży obok tej karty',
    siteFolder:
      'Cała strona jako zwykłe pliki. Działają na każdym hostingu: wystarczy skopiować zawartość tego folderu do folderu publicznego.',
    projectFolder: 'To, czego trzeba do dalszej pracy: teksty, obrazy, szablon i kroje pisma. Instant Fit czyta ten zip takim, jaki jest.',
    gone: 'Gdyby nas zabrakło',
    goneWords:
      'Nic się nie stanie. Strona nie potrzebuje ani Instant Fit, ani tych, którzy ją wykonali: to zwykły HTML, style i ' +
      'obrazy. Z tymi plikami każdy projektant stron może ją przenieść i zmienić.',
    fonts: 'Kroje pisma',
    licences: 'Ich licencje są w {file}.',
    made: 'Sporządzono {day}',
  },
  pt: {
    title: 'Ficha de cuidados: {name}',
    intro: 'De que é feito o seu site, onde está e a quem perguntar. Guarde-a junto com os ficheiros que a acompanham.',
    where: 'Onde está',
    site: 'O seu site',
    since: 'No ar desde {day}',
    ask: 'A quem perguntar',
    askThem: '{who} fez o seu site. Pergunte aqui por novos textos, outra página ou outros horários.',
    set: 'O que foi definido e onde',
    host: 'O nosso alojamento',
    records: 'Registos do domínio {domain}, tal como deviam ser definidos onde foi comprado',
    certificate: 'O certificado renova-se sozinho; o atual termina em {day}.',
    secrets: 'Aqui não há nenhuma palavra-passe nem chave. Guarde as suas onde só você as possa ler.',
    facts: 'O que o site diz de si',
    tell: 'Avise quem cuida do site quando algo disto mudar.',
    beside: 'O que acompanha esta ficha',
    siteFolder: 'Todo o site em ficheiros simples. Funcionam em qualquer alojamento: copie o conteúdo desta pasta para a pasta pública.',
    projectFolder:
      'O que é preciso para continuar a trabalhar nele: textos, imagens, modelo e tipos de letra. O Instant Fit lê este zip ' +
      'tal como está.',
    gone: 'Se deixarmos de existir',
    goneWords:
      'Não acontece nada. O seu site não precisa do Instant Fit nem de quem o fez: é HTML simples, estilos e imagens. Com ' +
      'estes ficheiros qualquer web designer pode mudá-lo de sítio e alterá-lo.',
    fonts: 'Tipos de letra',
    licences: 'As licenças estão em {file}.',
    made: 'Feita em {day}',
  },
  tr: {
    title: 'Bakım sayfası: {name}',
    intro: 'Web siteniz nelerden oluşur, nerede durur ve kime sorulur. Yanındaki dosyalarla birlikte saklayın.',
    where: 'Nerede',
    site: 'Web siteniz',
    since: '{day} tarihinden beri yayında',
    ask: 'Kime sorulur',
    askThem: 'Web sitenizi {who} yaptı. Yeni metinler, bir sayfa daha ya da başka çalışma saatleri için buraya sorun.',
    set: 'Nerede ne ayarlandı',
    host: 'Sunucumuz',
    records: '{domain} alan adının, satın alındığı yerde girilmesi gereken kayıtları',
    certificate: 'Sertifika kendiliğinden yenilenir; bugünkü {day} tarihinde biter.',
    secrets: 'Burada hiçbir parola ve anahtar yoktur. Kendinizinkileri yalnızca sizin okuyabileceğiniz bir yerde saklayın.',
    facts: 'Sitenin sizin için söyledikleri',
    tell: 'Bunlardan biri değiştiğinde siteye bakan kişiye haber verin.',
    beside: 'Bu sayfanın yanında neler var',
    siteFolder:
      'Sitenin tamamı, düz dosyalar olarak. Her sunucuda çalışır: bu klasörün içindekileri oradaki herkese açık klasöre kopyalayın.',
    projectFolder:
      'Üzerinde çalışmaya devam etmek için gerekenler: metinler, resimler, şablon ve yazı tipleri. Instant Fit bu zip ' +
      'dosyasını olduğu gibi okur.',
    gone: 'Biz olmazsak',
    goneWords:
      'Hiçbir şey olmaz. Sitenizin ne Instant Fit’e ne de onu yapana ihtiyacı vardır: düz HTML, stiller ve resimlerdir. Bu ' +
      'dosyalarla her web tasarımcısı onu taşıyabilir ve değiştirebilir.',
    fonts: 'Yazı tipleri',
    licences: 'Lisansları {file} içindedir.',
    made: '{day} tarihinde hazırlandı',
  },
  ar: {
    title: 'ورقة العناية: {name}',
    intro: 'مما يتكوّن موقعك، وأين يوجد، ومن تسأل. احتفظ بها مع الملفات المرافقة لها.',
    where: 'أين يوجد',
    site: 'موقعك',
    since: 'على الشبكة منذ {day}',
    ask: 'من تسأل',
    askThem: 'أنجز موقعك {who}. اسأل هنا عن نصوص جديدة أو صفحة أخرى أو أوقات عمل مختلفة.',
    set: 'ما الذي ضُبط وأين',
    host: 'مضيفنا',
    records: 'سجلات النطاق {domain} كما وجب ضبطها حيث تم شراؤه',
    certificate: 'تتجدد الشهادة من تلقاء نفسها؛ والحالية تنتهي في {day}.',
    secrets: 'لا توجد هنا أي كلمة مرور ولا أي مفتاح. احفظ ما لديك حيث لا يقرؤه غيرك.',
    facts: 'ما يقوله الموقع عنك',
    tell: 'أخبر من يعتني بالموقع عندما يتغير شيء من هذا.',
    beside: 'ما يرافق هذه الورقة',
    siteFolder: 'الموقع كله ملفات بسيطة تعمل لدى أي مضيف: انسخ محتوى هذا المجلد إلى المجلد العام هناك.',
    projectFolder: 'ما يلزم لمواصلة العمل عليه: النصوص والصور والقالب والخطوط. يقرأ Instant Fit هذا الملف المضغوط كما هو.',
    gone: 'إذا لم نعد موجودين',
    goneWords:
      'لا يحدث شيء. لا يحتاج موقعك إلى Instant Fit ولا إلى من أنجزه: إنه HTML بسيط وأنماط وصور. بهذه الملفات يستطيع أي مصمم ' +
      'مواقع نقله وتغييره.',
    fonts: 'الخطوط',
    licences: 'تراخيصها في {file}.',
    made: 'أُعدّت في {day}',
  },
  he: {
    title: 'דף טיפול: {name}',
    intro: 'ממה האתר שלכם עשוי, היכן הוא נמצא ואת מי לשאול. שמרו אותו יחד עם הקבצים שלצידו.',
    where: 'היכן הוא נמצא',
    site: 'האתר שלכם',
    since: 'באוויר מאז {day}',
    ask: 'את מי לשאול',
    askThem: 'האתר נעשה בידי {who}. פנו לכאן לטקסטים חדשים, לעמוד נוסף, לשעות פתיחה אחרות.',
    set: 'מה הוגדר והיכן',
    host: 'המארח שלנו',
    records: 'הרשומות של הדומיין {domain}, כפי שהיה צריך להגדיר במקום שבו נקנה',
    certificate: 'התעודה מתחדשת מעצמה; הנוכחית מסתיימת ב־{day}.',
    secrets: 'אין כאן שום סיסמה ושום מפתח. שמרו את שלכם במקום שרק אתם יכולים לקרוא.',
    facts: 'מה האתר אומר עליכם',
    tell: 'ספרו למי שמטפל באתר כשמשהו מכל זה משתנה.',
    beside: 'מה נמצא לצד הדף הזה',
    siteFolder: 'האתר כולו כקבצים פשוטים. הם פועלים אצל כל מארח: העתיקו את תוכן התיקייה הזאת לתיקייה הציבורית שם.',
    projectFolder: 'מה שצריך כדי להמשיך לעבוד עליו: טקסטים, תמונות, תבנית וגופנים. Instant Fit קורא את קובץ ה־zip הזה כמו שהוא.',
    gone: 'אם לא נהיה כאן',
    goneWords:
      'לא קורה דבר. האתר אינו זקוק ל־Instant Fit ולא למי שעשה אותו: הוא HTML פשוט, סגנונות ותמונות. עם הקבצים האלה כל מעצב ' +
      'אתרים יכול להעביר אותו ולשנות אותו.',
    fonts: 'גופנים',
    licences: 'הרישיונות שלהם נמצאים ב־{file}.',
    made: 'הוכן ב־{day}',
  },
  el: {
    title: 'Φύλλο φροντίδας: {name}',
    intro: 'Από τι αποτελείται ο ιστότοπός σας, πού βρίσκεται και ποιον να ρωτήσετε. Κρατήστε το μαζί με τα αρχεία που το συνοδεύουν.',
    where: 'Πού βρίσκεται',
    site: 'Ο ιστότοπός σας',
    since: 'Στον αέρα από {day}',
    ask: 'Ποιον να ρωτήσετε',
    askThem: 'Τον ιστότοπό σας τον έφτιαξε: {who}. Ρωτήστε εδώ για νέα κείμενα, άλλη μια σελίδα, άλλες ώρες λειτουργίας.',
    set: 'Τι ρυθμίστηκε και πού',
    host: 'Ο δικός μας διακομιστής',
    records: 'Εγγραφές του τομέα {domain}, όπως έπρεπε να οριστούν εκεί όπου αγοράστηκε',
    certificate: 'Το πιστοποιητικό ανανεώνεται μόνο του· το σημερινό λήγει στις {day}.',
    secrets: 'Εδώ δεν υπάρχει κανένας κωδικός και κανένα κλειδί. Φυλάξτε τα δικά σας εκεί όπου μόνο εσείς μπορείτε να τα διαβάσετε.',
    facts: 'Τι λέει ο ιστότοπος για εσάς',
    tell: 'Πείτε το σε όποιον φροντίζει τον ιστότοπο όταν αλλάξει κάτι από αυτά.',
    beside: 'Τι συνοδεύει αυτό το φύλλο',
    siteFolder:
      'Όλος ο ιστότοπος ως απλά αρχεία. Λειτουργούν σε κάθε διακομιστή: αντιγράψτε το περιεχόμενο αυτού του φακέλου στον ' +
      'δημόσιο φάκελο εκεί.',
    projectFolder:
      'Ό,τι χρειάζεται για να συνεχιστεί η δουλειά: κείμενα, εικόνες, πρότυπο και γραμματοσειρές. Το Instant Fit διαβάζει αυτό ' +
      'το zip όπως είναι.',
    gone: 'Αν δεν υπάρχουμε πια',
    goneWords:
      'Δεν συμβαίνει τίποτα. Ο ιστότοπός σας δεν χρειάζεται ούτε το Instant Fit ούτε όποιον τον έφτιαξε: είναι απλό HTML, στυλ ' +
      'και εικόνες. Με αυτά τα αρχεία κάθε σχεδιαστής ιστοτόπων μπορεί να τον μεταφέρει και να τον αλλάξει.',
    fonts: 'Γραμματοσειρές',
    licences: 'Οι άδειές τους βρίσκονται στο {file}.',
    made: 'Συντάχθηκε στις {day}',
  },
  uk: {
    title: 'Аркуш догляду: {name}',
    intro: 'З чого складається ваш сайт, де він розміщений і кого питати. Зберігайте його разом із файлами поруч.',
    where: 'Де він',
    site: 'Ваш сайт',
    since: 'У мережі з {day}',
    ask: 'Кого питати',
    askThem: 'Ваш сайт зробили: {who}. Звертайтеся сюди по нові тексти, ще одну сторінку, інші години роботи.',
    set: 'Що й де налаштовано',
    host: 'Наш хостинг',
    records: 'Записи домену {domain}, як їх треба було встановити там, де його куплено',
    certificate: 'Сертифікат поновлюється сам; теперішній діє до {day}.',
    secrets: 'Тут немає жодного пароля й жодного ключа. Тримайте свої там, де їх прочитаєте лише ви.',
    facts: 'Що сайт говорить про вас',
    tell: 'Скажіть тому, хто доглядає за сайтом, коли щось із цього зміниться.',
    beside: 'Що лежить поруч із цим аркушем',
    siteFolder: 'Увесь сайт як прості файли. Вони працюють на будь-якому хостингу: скопіюйте вміст цієї теки до публічної теки там.',
    projectFolder: 'Що потрібно, щоб працювати далі: тексти, зображення, шаблон і шрифти. Instant Fit читає цей zip таким, який він є.',
    gone: 'Якщо нас не стане',
    goneWords:
      'Нічого не станеться. Вашому сайту не потрібні ні Instant Fit, ні ті, хто його зробив: це простий HTML, стилі й ' +
      'зображення. З цими файлами кожен вебдизайнер може його перенести й змінити.',
    fonts: 'Шрифти',
    licences: 'Їхні ліцензії — у {file}.',
    made: 'Складено {day}',
  },
}
