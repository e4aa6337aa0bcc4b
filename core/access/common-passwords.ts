/**
 * Passwords that are tried first, and the words they are made of when figures and signs stand
 * around them: in small letters, without digits.
 */
export const COMMON_PASSWORDS: ReadonlySet<string> = new Set(
	`
	aaaaaaaaaaaa abcabcabc abcdefghijkl access accessgranted admin adminadmin administrator
	administratorpassword amanda andrew android anthony april arsenal arsenalfc asdfghjkl
	ashley attorney attorneyatlaw august autumn babygirl banana baseball basketball batman
	blackberry business butterfly changeme changemenow changethis charlie cheese chelsea
	chelseafc chocolate company companypassword computer contract contracts contrasena cookie
	cookies correcthorse correcthorsebatterystaple corvette counsel counselor court courthouse
	cowboys customer daniel database december default demo demodemo department diamond
	director docket dragon eagles elizabeth enter enterenter entry example exampleexample
	facebook february ferrari ferries ferry football fortnite freedom friday golden google
	guest guestguest heather helpdesk horsebatterystaple hunter iloveyou iloveyousomuch
	internet iphone january jennifer jessica jordan joshua judge judgement july june justice
	justiceforall killer killerkiller kitekite kitepen lakers lawyer lawyerlawyer legal
	legaldepartment letmein letmeinnow letmeinplease liverpool liverpoolfc login loginlogin
	loremipsum loremipsumdolor lovelove lovely loveme management manager manchester
	manchesterunited march master matter matters matthew may melissa mercedes michael michelle
	microsoft minecraft monday monkey motdepasse motorola mustang mypassword mypasswordis
	mysecretpassword network newpassword nicole nintendo nopassword november october office
	officeoffice oldpassword opensesame openup orange packers paralegal passw password
	passwordisthis passwordpassword passwort playstation pokemon porsche president princess
	purple qazwsx qazwsxedc quickbrownfox qwerty qwertyqwerty qwertyuiop richard robert roblox
	root rootroot samantha sample samplesample samsung saturday secret secretary secretsecret
	security securityfirst senha september server serverroom service shadow signature signin
	silver spiderman spring springtime starwars starwarsfan steelers stephanie summer
	summertime sunday sunshine superman support sweetheart sweetie system systems test tester
	testing testingtesting testtest testtesttest thepassword thequickbrownfox thomas thursday
	toor topsecret trustno trustnoi tuesday user username useruser victoria wachtwoord
	wednesday welcome welcomeback welcometo whatever whateverwhatever william winter
	wintertime xbox yankees zxcvbnm zzzzzzzzzzzz
`
		.trim()
		.split(/\s+/)
);
