import type { CareWords } from './care-word'

export const TURKISH: CareWords = {
  title: 'Bakım sayfası: {name}',
  intro: 'Web siteniz nelerden oluşur, nerede durur ve kime sorulur. Yanındaki dosyalarla birlikte saklayın.',
  where: 'Nerede',
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
}
