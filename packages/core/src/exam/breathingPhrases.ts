/**
 * Breathing commands in the languages of patients, with how to say them for an English speaker.
 * Everyday imperatives, polite form. They have not been checked by a native speaker each: `checked` says so.
 */
export const PHRASES = ['in', 'out', 'deep', 'hold', 'stop', 'still', 'gently', 'normal', 'swallow'] as const;
export type Phrase = (typeof PHRASES)[number];
/** The words, and how to say them. */
type Said = readonly [words: string, say: string];

export type PatientLanguage = {
  id: string;
  /** In English, and as its speakers call it. */
  name: string;
  own: string;
  /** BCP 47, for a voice of the device. */
  tag: string;
  rightToLeft: boolean;
  checked: boolean;
  note: string;
  phrases: Record<Phrase, Said>;
};

const language = (
  id: string,
  name: string,
  own: string,
  tag: string,
  phrases: Record<Phrase, Said>,
  rest: Partial<PatientLanguage> = {},
): PatientLanguage => ({ id, name, own, tag, rightToLeft: false, checked: false, note: '', phrases, ...rest });

export const PATIENT_LANGUAGES: readonly PatientLanguage[] = [
  language(
    'en',
    'English',
    'English',
    'en',
    {
      in: ['Breathe in.', ''],
      out: ['Breathe out.', ''],
      deep: ['Breathe in deep.', ''],
      hold: ['Hold your breath.', ''],
      stop: ['Stop breathing.', ''],
      still: ['Keep still.', ''],
      gently: ['Breathe gently all the time.', ''],
      normal: ['Breathe normally.', ''],
      swallow: ['Swallow now.', ''],
    },
    { checked: true },
  ),
  language('es', 'Spanish', 'Español', 'es', {
    in: ['Tome aire.', 'TOH-meh EYE-reh'],
    out: ['Suelte el aire.', 'SWEL-teh el EYE-reh'],
    deep: ['Respire profundo.', 'res-PEE-reh pro-FOON-doh'],
    hold: ['Aguante la respiración.', 'ah-GWAHN-teh lah res-pee-rah-SYOHN'],
    stop: ['No respire.', 'noh res-PEE-reh'],
    still: ['No se mueva.', 'noh seh MWEH-vah'],
    gently: ['Respire suavemente, sin parar.', 'res-PEE-reh swah-veh-MEN-teh, seen pah-RAR'],
    normal: ['Respire normal.', 'res-PEE-reh nor-MAHL'],
    swallow: ['Trague ahora.', 'TRAH-geh ah-OH-rah'],
  }),
  language('fr', 'French', 'Français', 'fr', {
    in: ['Inspirez.', 'an-spee-RAY'],
    out: ['Soufflez.', 'soo-FLAY'],
    deep: ['Inspirez à fond.', 'an-spee-RAY ah FON'],
    hold: ['Bloquez la respiration.', 'bloh-KAY lah res-pee-rah-SYON'],
    stop: ['Ne respirez plus.', 'nuh res-pee-RAY plew'],
    still: ['Ne bougez plus.', 'nuh boo-ZHAY plew'],
    gently: ['Respirez doucement, sans arrêt.', 'res-pee-RAY doos-MON, son zah-RAY'],
    normal: ['Respirez normalement.', 'res-pee-RAY nor-mahl-MON'],
    swallow: ['Avalez maintenant.', 'ah-vah-LAY mant-NON'],
  }),
  language('de', 'German', 'Deutsch', 'de', {
    in: ['Einatmen.', 'INE-aht-men'],
    out: ['Ausatmen.', 'OWSS-aht-men'],
    deep: ['Tief einatmen.', 'teef INE-aht-men'],
    hold: ['Luft anhalten.', 'looft AHN-hahl-ten'],
    stop: ['Nicht atmen.', 'nisht AHT-men'],
    still: ['Nicht bewegen.', 'nisht beh-VAY-gen'],
    gently: ['Ruhig weiteratmen.', 'ROO-ish VY-ter-aht-men'],
    normal: ['Normal weiteratmen.', 'nor-MAHL VY-ter-aht-men'],
    swallow: ['Jetzt schlucken.', 'yetst SHLOOK-en'],
  }),
  language('pt', 'Portuguese', 'Português', 'pt', {
    in: ['Inspire.', 'een-SPEE-ree'],
    out: ['Solte o ar.', 'SOL-tee oo ar'],
    deep: ['Inspire fundo.', 'een-SPEE-ree FOON-doo'],
    hold: ['Prenda a respiração.', 'PREN-dah ah hes-pee-rah-SOWNG'],
    stop: ['Não respire.', 'nowng hes-PEE-ree'],
    still: ['Não se mexa.', 'nowng see MEH-shah'],
    gently: ['Respire devagar, sem parar.', 'hes-PEE-ree jee-vah-GAR, seng pah-RAR'],
    normal: ['Respire normalmente.', 'hes-PEE-ree nor-mow-MEN-chee'],
    swallow: ['Engula agora.', 'en-GOO-lah ah-GOR-ah'],
  }),
  language('it', 'Italian', 'Italiano', 'it', {
    in: ['Inspiri.', 'een-SPEE-ree'],
    out: ['Espiri.', 'ES-pee-ree'],
    deep: ['Inspiri profondamente.', 'een-SPEE-ree pro-fon-da-MEN-teh'],
    hold: ['Trattenga il respiro.', 'trat-TEN-gah eel res-PEE-roh'],
    stop: ['Non respiri.', 'non res-PEE-ree'],
    still: ['Non si muova.', 'non see MWOH-vah'],
    gently: ['Respiri piano, senza fermarsi.', 'res-PEE-ree PYAH-noh, SEN-tsa fer-MAR-see'],
    normal: ['Respiri normalmente.', 'res-PEE-ree nor-mal-MEN-teh'],
    swallow: ['Deglutisca ora.', 'deh-gloo-TEES-kah OH-rah'],
  }),
  language('pl', 'Polish', 'Polski', 'pl', {
    in: ['Proszę zrobić wdech.', 'PRO-sheh ZRO-beech vdekh'],
    out: ['Proszę zrobić wydech.', 'PRO-sheh ZRO-beech VI-dekh'],
    deep: ['Głęboki wdech.', 'gwem-BO-kee vdekh'],
    hold: ['Proszę wstrzymać oddech.', 'PRO-sheh FSTSHI-mach OD-dekh'],
    stop: ['Proszę nie oddychać.', 'PRO-sheh nyeh od-DI-khach'],
    still: ['Proszę się nie ruszać.', 'PRO-sheh sheh nyeh ROO-shach'],
    gently: ['Proszę spokojnie oddychać.', 'PRO-sheh spo-KOY-nyeh od-DI-khach'],
    normal: ['Proszę normalnie oddychać.', 'PRO-sheh nor-MAL-nyeh od-DI-khach'],
    swallow: ['Proszę połknąć.', 'PRO-sheh POW-knonch'],
  }),
  language('tr', 'Turkish', 'Türkçe', 'tr', {
    in: ['Nefes alın.', 'neh-FES ah-LUHN'],
    out: ['Nefes verin.', 'neh-FES veh-REEN'],
    deep: ['Derin nefes alın.', 'deh-REEN neh-FES ah-LUHN'],
    hold: ['Nefesinizi tutun.', 'neh-feh-see-nee-ZEE too-TOON'],
    stop: ['Nefes almayın.', 'neh-FES AHL-mah-yuhn'],
    still: ['Kıpırdamayın.', 'kuh-puhr-DAH-mah-yuhn'],
    gently: ['Yavaşça nefes alıp verin.', 'yah-VAHSH-chah neh-FES ah-LUHP veh-REEN'],
    normal: ['Normal nefes alın.', 'nor-MAHL neh-FES ah-LUHN'],
    swallow: ['Şimdi yutun.', 'SHEEM-dee yoo-TOON'],
  }),
  language('ru', 'Russian', 'Русский', 'ru', {
    in: ['Вдохните.', 'vdakh-NEE-tye'],
    out: ['Выдохните.', 'VI-dakh-nee-tye'],
    deep: ['Глубоко вдохните.', 'gloo-bah-KO vdakh-NEE-tye'],
    hold: ['Задержите дыхание.', 'zah-dyer-ZHEE-tye di-KHAH-nee-yeh'],
    stop: ['Не дышите.', 'nye di-SHEE-tye'],
    still: ['Не двигайтесь.', 'nye DVEE-guy-tyes'],
    gently: ['Дышите спокойно.', 'di-SHEE-tye spah-KOY-nah'],
    normal: ['Дышите нормально.', 'di-SHEE-tye nar-MAHL-nah'],
    swallow: ['Глотайте.', 'glah-TIE-tye'],
  }),
  language(
    'ar',
    'Arabic',
    'العربية',
    'ar',
    {
      in: ['خذ نفسًا.', 'khuth NA-fas'],
      out: ['أخرج النفس.', 'AKH-rij an-NA-fas'],
      deep: ['خذ نفسًا عميقًا.', 'khuth NA-fas ah-MEEQ'],
      hold: ['احبس نفسك.', 'IH-bis NA-fa-sak'],
      stop: ['لا تتنفس.', 'laa ta-ta-NAF-fas'],
      still: ['لا تتحرك.', 'laa ta-ta-HAR-rak'],
      gently: ['تنفس بهدوء.', 'ta-NAF-fas bi-hu-DOO'],
      normal: ['تنفس بشكل طبيعي.', 'ta-NAF-fas bi-shakl ta-bee-EE'],
      swallow: ['ابلع الآن.', 'IB-la al-AAN'],
    },
    { rightToLeft: true, note: 'Said to a man; to a woman the verbs end in -ee.' },
  ),
  language('zh', 'Mandarin', '中文', 'zh', {
    in: ['吸气。', 'shee chee'],
    out: ['呼气。', 'hoo chee'],
    deep: ['深吸气。', 'shun shee chee'],
    hold: ['憋住气。', 'byeh joo chee'],
    stop: ['不要呼吸。', 'boo yow hoo shee'],
    still: ['不要动。', 'boo yow dong'],
    gently: ['轻轻呼吸，不要停。', 'ching ching hoo shee, boo yow ting'],
    normal: ['正常呼吸。', 'jung chahng hoo shee'],
    swallow: ['现在咽下去。', 'shyen-dzai yen shyah choo'],
  }),
  language('vi', 'Vietnamese', 'Tiếng Việt', 'vi', {
    in: ['Hít vào.', 'heet vow'],
    out: ['Thở ra.', 'tuh zah'],
    deep: ['Hít vào thật sâu.', 'heet vow tuht show'],
    hold: ['Nín thở.', 'neen tuh'],
    stop: ['Ngừng thở.', 'ngoong tuh'],
    still: ['Giữ yên.', 'zoo yen'],
    gently: ['Thở nhẹ nhàng.', 'tuh nyeh nyahng'],
    normal: ['Thở bình thường.', 'tuh bing too-ung'],
    swallow: ['Nuốt đi.', 'noo-ut dee'],
  }),
];
